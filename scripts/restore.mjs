import { existsSync } from 'node:fs';
import path from 'node:path';
import { backupsIn, restoreEmpty, restoreInto } from './lib/backups.mjs';
import { startCluster } from './lib/cluster.mjs';
import { backupsOf } from './lib/clusterFolder.mjs';
import { takeLock } from './lib/lock.mjs';
import { ensurePostgres } from './lib/packages.mjs';
import { clusterFolder, dataFolder } from './lib/paths.mjs';
import { main, say, stop } from './lib/say.mjs';

/** `npm run restore FILE`: all data as they were when the backup was made; without a file, what there is to choose from. */
await main(async () => {
  const [named] = process.argv.slice(2);
  const folder = backupsOf(clusterFolder());
  if (!named) {
    const found = backupsIn(folder);
    if (found.length === 0) stop(`There are no backups in ${folder}. Name a file: npm run restore FILE`);
    for (const { file, at, kind, bytes } of found)
      say(`${at.toISOString()}  ${kind.padEnd(9)}  ${Math.ceil(bytes / 1024)} kB  ${file}`);
    stop('Choose one: npm run restore FILE');
  }
  const file = path.resolve(named);
  if (!existsSync(file)) stop(`There is no file ${file}.`);
  await ensurePostgres();
  if (process.env.DATABASE_URL) {
    await restoreEmpty({ url: process.env.DATABASE_URL }, file);
    say('Restored into the database of DATABASE_URL.');
    return;
  }
  const release = takeLock(dataFolder());
  try {
    const cluster = await startCluster(clusterFolder());
    try {
      await restoreInto(cluster, file);
    } finally {
      await cluster.stop();
    }
  } finally {
    release();
  }
  say(
    `Restored from ${file}. What was there before is kept as the database fine_spray_before_restore until the next restore.`,
  );
  say('Start Fine Spray. Devices that wrote after the backup send it again when they next reach the server.');
});
