import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fingerprintOf } from './fingerprint.mjs';
import { ROOT } from './paths.mjs';
import { isRoot, run } from './run.mjs';
import { during, stop } from './say.mjs';

/** Where Debian keeps PostgreSQL's programs, a folder for each version; elsewhere they are named by a setting. */
const postgresBase = () => process.env.FINE_SPRAY_POSTGRES ?? '/usr/lib/postgresql';

/** Folder of PostgreSQL's programs, of a version or the newest there is; undefined where there is none. */
export function postgresPrograms(wanted) {
  const base = postgresBase();
  if (!existsSync(base)) return undefined;
  return readdirSync(base)
    .filter((version) => wanted === undefined || version === wanted)
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => path.join(base, version, 'bin'))
    .find((folder) => existsSync(path.join(folder, 'initdb')) && existsSync(path.join(folder, 'postgres')));
}

export const CHROMIUM = '/usr/bin/chromium';

/** Installs Debian packages that are missing; without root it says which command to run. */
async function ensureDebian(name, present) {
  if (present()) return;
  const command = `apt-get install -y ${name}`;
  if (!isRoot()) stop(`Debian's package "${name}" is missing. Run: sudo ${command}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const { code, output } = await during(`Installing Debian's package ${name} …`, async () => {
    await run('apt-get', ['update', '-qq'], { quiet: true, env }).catch(() =>
      stop(`apt-get is not here, so ${name} cannot be installed. Install it by hand and start again.`),
    );
    return run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], { quiet: true, env });
  });
  if (code !== 0 || !present()) {
    stop(`Debian's package "${name}" could not be installed: ${output.trim().split('\n').pop()}`);
  }
}

export const ensurePostgres = () => ensureDebian('postgresql', () => postgresPrograms() !== undefined);
export const ensureChromium = () => ensureDebian('chromium', () => existsSync(CHROMIUM));

/** What is installed: the lock file, and what is changed of packages afterwards. */
const INSTALLED = ['package-lock.json', 'patches'];

/** Installs npm packages when they are not the ones installed. */
export async function ensureNodePackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) stop(`Node 20 or newer is needed; this is ${process.versions.node}.`);
  const wanted = fingerprintOf(INSTALLED);
  const stamp = path.join(ROOT, 'node_modules/.fine-spray-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  const { code, output } = await during(
    'Installing npm packages (first time, or the lock file changed) …',
    () =>
      run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'], {
        cwd: ROOT,
        quiet: true,
      }),
  );
  if (code !== 0) stop(`npm ci failed: ${output.trim().split('\n').slice(0, 4).join(' ')}`);
  writeFileSync(stamp, wanted);
}
