import path from 'node:path';
import { EXPORT_ENV, pack } from './build.mjs';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say, stop } from './say.mjs';

/** Builds an empty Expo Router application of the same versions as ours, to compare with; packed as ours. Where it lies. */
export async function emptyApp() {
  const dist = path.join(ROOT, '.build/empty-app');
  say('Building the empty application to compare with …');
  const { code, output } = await run(
    path.join(ROOT, 'node_modules/.bin/expo'),
    ['export', '--platform', 'web', '--output-dir', dist],
    { cwd: path.join(ROOT, 'bench/empty-app'), quiet: true, env: { ...process.env, ...EXPORT_ENV } },
  );
  if (code !== 0)
    stop(`The empty application could not be built: ${output.trim().split('\n').slice(-5).join(' ')}`);
  await pack(dist);
  return dist;
}
