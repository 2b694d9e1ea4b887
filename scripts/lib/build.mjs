import { copyFileSync, existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { fingerprintOf } from './fingerprint.mjs';
import { ROOT } from './paths.mjs';
import { SCRIPTS, cutFirstScript, scriptCalled } from './pieces.mjs';
import { run } from './run.mjs';
import { during, say, stop } from './say.mjs';

/** Folders and files a build is made of; what only tests use is left out. */
const SOURCES = {
  /** What both sides check rows by. */
  contract: ['core/src', 'contract/src', 'package-lock.json'],
  server: [
    'core/src',
    'contract/src',
    'server/src',
    'server/package.json',
    'package-lock.json',
    'scripts/lib/build.mjs',
  ],
  app: [
    'core/src',
    'contract/src',
    'app/src',
    'app/public',
    'app/app.json',
    'app/entry.ts',
    'app/package.json',
    'app/babel.config.js',
    'app/babel-lazy.js',
    'app/babel-straight.js',
    'app/metro.config.js',
    'app/tailwind.config.js',
    'app/global.css',
    'app/zod-locales.js',
    'app/zod-unused.js',
    'app/nativewind-components.js',
    'app/router-unused.js',
    'app/safe-area-unmeasured.js',
    'app/zod-policy.js',
    'app/zod-without-eval.js',
    'app/uuid-unused.js',
    'app/uuid-v7.js',
    'patches',
    'package-lock.json',
    'scripts/lib/build.mjs',
    'scripts/lib/pieces.mjs',
  ],
};

async function ifChanged(part, result, build) {
  const stamp = path.join(ROOT, '.build', part);
  const now = fingerprintOf(SOURCES[part]);
  if (existsSync(result) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  await build();
  mkdirSync(path.dirname(stamp), { recursive: true });
  writeFileSync(stamp, now);
}

async function buildServer() {
  say('Building the server …');
  const esbuild = await import('esbuild');
  const { dependencies } = JSON.parse(readFileSync(path.join(ROOT, 'server/package.json'), 'utf8'));
  await esbuild.build({
    entryPoints: {
      index: path.join(ROOT, 'server/src/index.ts'),
      worker: path.join(ROOT, 'server/src/jobs/worker.ts'),
    },
    outdir: path.join(ROOT, 'server/dist'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    logLevel: 'error',
    define: { 'process.env.CONTRACT': JSON.stringify(fingerprintOf(SOURCES.contract)) },
    // Our own workspaces are bundled; packages from the registry stay where npm put them.
    external: Object.keys(dependencies).filter((name) => !name.startsWith('@fine-spray/')),
  });
}

/** How Expo exports: offline, as for production. */
export const EXPORT_ENV = {
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  CI: '1',
  NODE_ENV: 'production',
};

/** Says something in the head of a page, at the place that is left for it there. */
function sayIn(page, name, content) {
  const plain = readFileSync(page, 'utf8');
  const said = plain.replace(`name="${name}" content=""`, `name="${name}" content="${content}"`);
  if (said === plain) stop(`${page} has no place for "${name}".`);
  writeFileSync(page, said);
}

/** Address of the chunk with every other screen: the browser is told to fetch it once the first screen stands. */
function addressOfLater(dist) {
  const later = scriptCalled(dist, 'later');
  if (!later) stop('The application was built without the chunk with the other screens.');
  return `/${SCRIPTS}/${later}`;
}

async function buildApp() {
  const env = { ...process.env, ...EXPORT_ENV };
  const dist = path.join(ROOT, 'app/dist');
  const expo = path.join(ROOT, 'node_modules/.bin/expo');
  const { code, output } = await during('Building the application (about a minute the first time) …', () =>
    run(expo, ['export', '--platform', 'web', '--output-dir', dist], {
      cwd: path.join(ROOT, 'app'),
      quiet: true,
      env,
    }),
  );
  if (code !== 0)
    stop(`The application could not be built: ${output.trim().split('\n').slice(-12).join('\n')}`);
  for (const { src } of JSON.parse(readFileSync(path.join(dist, 'manifest.webmanifest'), 'utf8'))
    .screenshots) {
    mkdirSync(path.join(dist, path.dirname(src)), { recursive: true });
    copyFileSync(path.join(ROOT, 'docs', src), path.join(dist, src));
  }
  const page = path.join(dist, 'index.html');
  // What it checks rows by (`app/src/data/vouched.ts`).
  sayIn(page, 'contract', fingerprintOf(SOURCES.contract));
  sayIn(page, 'later', addressOfLater(dist));
  cutFirstScript(dist);
  const { generateSW } = await import('workbox-build');
  await generateSW({
    globDirectory: dist,
    globPatterns: ['**/*.{html,js,css,ttf,svg,webmanifest}'],
    swDest: path.join(dist, 'sw.js'),
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
    // A new version waits until somebody says so: app/public/start.js.
    skipWaiting: false,
    clientsClaim: true,
    // Takes what other applications share.
    importScripts: ['/shared.js'],
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
  });
  await pack(dist);
}

/** Files that every first load takes: packed once, as hard as it goes, instead of for each request. */
const PACKED = /^_expo\/static\/(js\/web\/(entry|soon|later)-[^/]*\.js|css\/[^/]*\.css)$/;

/** Packs those of an export. */
export async function pack(dist) {
  const compress = promisify(brotliCompress);
  for (const file of readdirSync(dist, { recursive: true }).map(String)) {
    if (!PACKED.test(file.split(path.sep).join('/'))) continue;
    const plain = readFileSync(path.join(dist, file));
    const params = {
      [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
      [constants.BROTLI_PARAM_SIZE_HINT]: plain.length,
    };
    writeFileSync(path.join(dist, `${file}.br`), await compress(plain, { params }));
  }
}

export const APP_DIST = path.join(ROOT, 'app/dist');

/** The worker of the server's pool. */
export const WORKER_FILE = path.join(ROOT, 'server/dist/worker.js');

/** Builds the server if it changed since the last time. */
export const ensureServerBuilt = () => ifChanged('server', WORKER_FILE, buildServer);

/** Builds what changed since the last time, and nothing else. */
export async function ensureBuilt() {
  await ensureServerBuilt();
  await ifChanged('app', path.join(APP_DIST, 'sw.js'), buildApp);
}
