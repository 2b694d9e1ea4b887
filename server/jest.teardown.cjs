const { rmSync } = require('node:fs');

module.exports = async () => {
  await globalThis.__fineSprayCluster?.stop();
  if (globalThis.__fineSprayFolder) rmSync(globalThis.__fineSprayFolder, { recursive: true, force: true });
};
