const fc = require('fast-check');

// One seed by default, so that a run can be repeated; FC_SEED=… tries others.
jest.setTimeout(20_000);
fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261123) });
