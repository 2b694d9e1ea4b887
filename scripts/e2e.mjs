import path from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main } from './lib/say.mjs';

/** The browser tests alone; arguments go to Playwright. */
await main(async () => {
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  const { code } = await run('npx', ['playwright', 'test', ...process.argv.slice(2)], {
    cwd: path.join(ROOT, 'e2e'),
  });
  process.exitCode = code;
});
