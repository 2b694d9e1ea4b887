import path from 'node:path';
import { copyFileSync } from 'node:fs';
import { KINDS, backUp } from './lib/backups.mjs';
import { backupsOf } from './lib/clusterFolder.mjs';
import { ensurePostgres } from './lib/packages.mjs';
import { clusterFolder } from './lib/paths.mjs';
import { main, say, stop } from './lib/say.mjs';
import { withDatabase } from './lib/withDatabase.mjs';

/** `npm run backup [FILE]`: a backup by hand, while Fine Spray runs or not. */
await main(async () => {
  const [wanted] = process.argv.slice(2);
  await ensurePostgres();
  const folder = backupsOf(clusterFolder());
  const made = await withDatabase(({ programs, asAdmin }) =>
    backUp({ programs, url: asAdmin }, folder, KINDS.hand).catch((error) =>
      stop(`The backup could not be made: ${error.message}`),
    ),
  );
  if (wanted) copyFileSync(made, path.resolve(wanted));
  say(`Backed up to ${wanted ? path.resolve(wanted) : made}`);
});
