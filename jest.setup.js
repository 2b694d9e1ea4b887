const fc = require('fast-check');

// No test is about speed (that is the bench): the limit only ends what hangs, on the slowest machine seen.
jest.setTimeout(120_000);
// One seed by default, so that a run can be repeated; FC_SEED=… tries others.
fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261123) });
