import { ensureBuilt } from './lib/build.mjs';
import { firstPicture } from './lib/firstPicture.mjs';
import { readByOthers, sheetsChecked, tablesThroughSpreadsheet } from './lib/openFormats.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { main, say } from './lib/say.mjs';
import { withApplication, withHome } from './lib/started.mjs';

/** Audits by programs of others, of the files we write and of the running application: `npm run audit`. */
await main(async () => {
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  say('Reading what we write with the programs of others …');
  const read = [await readByOthers(), await tablesThroughSpreadsheet()];
  say('Starting the application with the demo …');
  const right = await withHome((home) =>
    withApplication(home, async ({ address }) => [await sheetsChecked(address), await firstPicture(address)]),
  );
  process.exitCode = [...read, ...right].every(Boolean) ? 0 : 1;
});
