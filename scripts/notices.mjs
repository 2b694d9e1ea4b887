import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { EXPORT_ENV } from './lib/build.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say, stop } from './lib/say.mjs';

/** What is written: which packages ship with the application or run with the server, and under which licences. */
const FILE = path.join(ROOT, 'THIRD-PARTY-NOTICES.md');
/** Packages whose fonts ship as files, without code. */
const FONTS = [
  '@expo-google-fonts/atkinson-hyperlegible-next',
  '@expo-google-fonts/atkinson-hyperlegible-mono',
  '@expo-google-fonts/noto-sans',
];

/** "node_modules/@scope/name" and what is nested in it, of a path of a source. */
const PACKAGE = /^.*node_modules\/(?:@[^/]+\/)?[^/]+/;

/** Folders of the packages whose code is in the built application, by the source maps of an export. */
async function ofApplication() {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-notices-'));
  try {
    const expo = path.join(ROOT, 'node_modules/.bin/expo');
    const { code, output } = await run(
      expo,
      ['export', '--platform', 'web', '--source-maps', '--output-dir', folder],
      { cwd: path.join(ROOT, 'app'), quiet: true, env: { ...process.env, ...EXPORT_ENV } },
    );
    if (code !== 0)
      stop(`The application could not be exported: ${output.trim().split('\n').slice(-5).join('\n')}`);
    const maps = readdirSync(folder, { recursive: true }).filter((file) => String(file).endsWith('.js.map'));
    if (maps.length === 0) stop('The export has no source maps.');
    const found = new Set();
    for (const map of maps)
      for (const source of JSON.parse(readFileSync(path.join(folder, String(map)), 'utf8')).sources) {
        const [at] = PACKAGE.exec(source) ?? [];
        if (at !== undefined) found.add(path.join(ROOT, at.slice(at.indexOf('node_modules'))));
      }
    return found;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Folders of the packages that run with the server: its dependencies, and theirs. */
function ofServer() {
  const found = new Set();
  const look = (from, name) => {
    for (let at = from; at.startsWith(ROOT); at = path.dirname(at)) {
      const folder = path.join(at, 'node_modules', name);
      if (existsSync(path.join(folder, 'package.json'))) return folder;
    }
    return undefined;
  };
  const add = (from, name) => {
    const folder = look(from, name);
    if (folder === undefined || found.has(folder)) return;
    found.add(folder);
    const { dependencies = {} } = JSON.parse(readFileSync(path.join(folder, 'package.json'), 'utf8'));
    for (const next of Object.keys(dependencies)) add(folder, next);
  };
  for (const part of ['server', 'contract']) {
    const at = path.join(ROOT, part);
    const { dependencies } = JSON.parse(readFileSync(path.join(at, 'package.json'), 'utf8'));
    for (const name of Object.keys(dependencies)) if (!name.startsWith('@fine-spray/')) add(at, name);
  }
  return found;
}

const LICENCE_FILE = /^(licen[cs]e|copying|ofl)/i;

function noticeOf(folder) {
  const { name, version, license, licenses } = JSON.parse(
    readFileSync(path.join(folder, 'package.json'), 'utf8'),
  );
  const file = readdirSync(folder).find((one) => LICENCE_FILE.test(one));
  const says =
    typeof license === 'string' ? license : (license?.type ?? licenses?.map(({ type }) => type).join(' OR '));
  return {
    name,
    version,
    licence: says ?? 'see its text',
    text: file ? readFileSync(path.join(folder, file), 'utf8').trim() : '',
  };
}

await main(async () => {
  say('Exporting the application with its source maps …');
  const fonts = FONTS.map((name) => path.join(ROOT, 'node_modules', name));
  const folders = new Set([...(await ofApplication()), ...ofServer(), ...fonts]);
  const notices = [...folders]
    .map(noticeOf)
    .filter(({ name }) => name !== undefined && !name.startsWith('@fine-spray/'))
    .sort((a, b) => a.name.localeCompare(b.name, 'en') || a.version.localeCompare(b.version, 'en'));
  const texts = new Map();
  for (const { name, version, text } of notices)
    if (text !== '') texts.set(text, [...(texts.get(text) ?? []), `${name} ${version}`]);
  const lines = [
    '# Third-party notices',
    '',
    'Packages whose code is in the built application or runs with the server, and the fonts that ship. Written by `npm run notices`.',
    '',
    '| package | version | licence |',
    '| ------- | ------- | ------- |',
    ...notices.map(({ name, version, licence }) => `| ${name} | ${version} | ${licence} |`),
    '',
    ...[...texts].flatMap(([text, names]) => [
      `## ${names.join(', ')}`,
      '',
      '```',
      text.replaceAll('```', "'''"),
      '```',
      '',
    ]),
  ];
  writeFileSync(FILE, `${lines.join('\n').trimEnd()}\n`);
  say(`${notices.length} packages, ${texts.size} licence texts.`);
});
