import { ensureServerBuilt } from './lib/build.mjs';
import { ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { main, say, stop } from './lib/say.mjs';
import { settingsFrom } from './lib/settings.mjs';
import { withDatabase } from './lib/withDatabase.mjs';

const USE = `Say which:
  npm run company -- add "Company name" "Name of its owner"     one more company on this server
  npm run company -- owner "Company name"                       a way in for its owner`;
const MOST = { company: 120, owner: 80 };

/** Companies of this server, for whoever looks after it: each call ends with the address that lets an owner in. */
await main(async () => {
  const [what, name = '', owner = ''] = process.argv.slice(2).map((one) => one.trim());
  const adds = what === 'add' && owner !== '' && owner.length <= MOST.owner;
  if ((!adds && what !== 'owner') || name === '' || name.length > MOST.company) stop(USE);
  await ensureNodePackages();
  await ensurePostgres();
  await ensureServerBuilt();
  const { addCompany, inviteOwner } = await import('../server/dist/index.js');
  const way = await withDatabase(({ url }) =>
    (adds ? addCompany(url, name, owner) : inviteOwner(url, name)).catch((error) => stop(error.message)),
  );
  const { publicUrl, port } = settingsFrom({ ...process.env, SIGN_IN: 'on' });
  if (adds) say(`${way.company} is made.`);
  say(
    `${way.owner} opens this within ${way.lasts / 60} minutes, on the phone or browser that is to be theirs:`,
  );
  say(`${publicUrl ?? `http://127.0.0.1:${port}`}/sign-in#${way.code}`);
});
