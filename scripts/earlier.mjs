import { chmodSync, copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { KINDS, backUp } from './lib/backups.mjs';
import { ensureServerBuilt } from './lib/build.mjs';
import { freePort, throwAwayCluster } from './lib/cluster.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

/**
 * `npm run earlier`, before a migration is added: the demo as this version leaves it, as a dump in server/src/db/earlier. The
 * versions to come are tried on it.
 */
await main(async () => {
  await ensureServerBuilt();
  const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-earlier-'));
  chmodSync(folder, 0o755);
  const cluster = await throwAwayCluster(path.join(folder, 'postgres'));
  try {
    const { MIGRATIONS, serve } = await import('../server/dist/index.js');
    const serving = await serve({
      port: await freePort(),
      databaseUrl: cluster.url,
      demoFolder: path.join(ROOT, 'demo'),
      say,
    });
    await serving.stop();
    const from = { url: cluster.databaseAsAdmin, programs: cluster.programs };
    const made = await backUp(from, path.join(folder, 'backups'), KINDS.hand);
    const newest = Object.keys(MIGRATIONS).pop();
    copyFileSync(made, path.join(ROOT, 'server/src/db/earlier', `${newest}.dump`));
    say(`Wrote server/src/db/earlier/${newest}.dump`);
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
});
