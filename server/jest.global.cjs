const { mkdtempSync, chmodSync } = require('node:fs');
const os = require('node:os');
const path = require('node:path');

/** A throw-away PostgreSQL for the server's tests, each of which makes its own database in it, and the worker they start. */
module.exports = async () => {
  const { throwAwayCluster } = await import('../scripts/lib/cluster.mjs');
  const { WORKER_FILE, ensureServerBuilt } = await import('../scripts/lib/build.mjs');
  await ensureServerBuilt();
  process.env.TEST_WORKER_FILE = WORKER_FILE;
  const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-test-'));
  chmodSync(folder, 0o755);
  const cluster = await throwAwayCluster(path.join(folder, 'pg'));
  process.env.TEST_PROGRAMS = cluster.programs;
  process.env.TEST_ADMIN_URL = cluster.adminUrl;
  process.env.TEST_DATABASE_URL = cluster.url;
  globalThis.__fineSprayCluster = cluster;
  globalThis.__fineSprayFolder = folder;
};
