const { mkdtempSync, chmodSync } = require('node:fs');
const os = require('node:os');
const path = require('node:path');

/** A throw-away PostgreSQL for the server's tests; each test file makes its own database in it. */
module.exports = async () => {
  const { throwAwayCluster } = await import('../scripts/lib/cluster.mjs');
  const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-test-'));
  chmodSync(folder, 0o755);
  const cluster = await throwAwayCluster(path.join(folder, 'pg'));
  process.env.TEST_DATABASE_URL = cluster.url;
  globalThis.__fineSprayCluster = cluster;
  globalThis.__fineSprayFolder = folder;
};
