// Zod compiles its checks by eval where it may, and tries whether it may. The policy of the page forbids it, and the try alone
// is a violation: it is told so before it is read.
globalThis.__zod_globalConfig = { ...globalThis.__zod_globalConfig, jitless: true };
