import path from 'node:path';
import { copyFileSync } from 'node:fs';
import { KINDS, backUp } from './lib/backups.mjs';
import { runningCluster, startCluster } from './lib/cluster.mjs';
import { backupsOf } from './lib/clusterFolder.mjs';
import { takeLock } from './lib/lock.mjs';
import { ensurePostgres, postgresPrograms } from './lib/packages.mjs';
import { clusterFolder, dataFolder } from './lib/paths.mjs';
import { main, say, stop } from './lib/say.mjs';

/** `npm run backup [FILE]`: a backup by hand, while Fine Spray runs or not. */
await main(async () => {
  const [wanted] = process.argv.slice(2);
  await ensurePostgres();
  const folder = backupsOf(clusterFolder());
  const made = await withDatabase((from) =>
    backUp(from, folder, KINDS.hand).catch((error) => stop(`The backup could not be made: ${error.message}`)),
  );
  if (wanted) copyFileSync(made, path.resolve(wanted));
  say(`Backed up to ${wanted ? path.resolve(wanted) : made}`);
});

/** The database to back up: of DATABASE_URL, of a Fine Spray that runs, or of one that does not and is started for it. */
async function withDatabase(work) {
  if (process.env.DATABASE_URL) return work({ url: process.env.DATABASE_URL, programs: postgresPrograms() });
  const running = runningCluster(clusterFolder());
  if (running) return work({ url: running.databaseAsAdmin, programs: running.programs });
  const release = takeLock(dataFolder());
  try {
    const cluster = await startCluster(clusterFolder());
    try {
      return await work({ url: cluster.databaseAsAdmin, programs: cluster.programs });
    } finally {
      await cluster.stop();
    }
  } finally {
    release();
  }
}
