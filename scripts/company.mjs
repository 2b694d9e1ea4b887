import { ensureServerBuilt } from './lib/build.mjs';
import { ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { main, say, stop } from './lib/say.mjs';
import { settingsFrom } from './lib/settings.mjs';
import { withDatabase } from './lib/withDatabase.mjs';

const USE = 'Say which: npm run company -- add "Company name" "Name of its owner"';

/** `npm run company -- add "Name" "Owner"`: one more company on this server, and the code with which its owner comes in. */
await main(async () => {
  const [what, name = '', owner = ''] = process.argv.slice(2).map((one) => one.trim());
  if (what !== 'add' || name === '' || name.length > 120 || owner === '' || owner.length > 80) stop(USE);
  await ensureNodePackages();
  await ensurePostgres();
  await ensureServerBuilt();
  const { addCompany } = await import('../server/dist/index.js');
  const { code, lasts } = await withDatabase(({ url }) =>
    addCompany(url, name, owner).catch((error) => stop(error.message)),
  );
  const { publicUrl, port } = settingsFrom({ ...process.env, SIGN_IN: 'on' });
  say(`${name} is made. ${owner} opens this within ${lasts / 60} minutes:`);
  say(`${publicUrl ?? `http://127.0.0.1:${port}`}/sign-in#${code}`);
});
