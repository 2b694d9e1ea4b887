import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { parse } from 'csv-parse/sync';
import { bundled } from './bundled.mjs';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { say } from './say.mjs';

/** What reads our files with the programs of others: each is a part of `npm test` as well. */
const READERS = [
  ['the API document, by two linters and a generated client', 'npm', ['run', '-s', 'lint:api']],
  ['the schema of a job file, by a strict validator', 'npx', ['jest', 'contract/src/jobSchema']],
  ['CSV and calendars, by second parsers', 'npx', ['jest', 'contract/src/formats/secondReaders']],
  ['sheets, by two readers of PDF', 'npx', ['jest', 'server/src/paper/byEar']],
  ['the licences of what ships', 'npx', ['jest', 'docs/notices']],
];

function saySo(right, what) {
  say(`${right ? 'right ' : 'WRONG '}  ${what}`);
  return right;
}

/** Files by programs that know nothing of us. @returns whether all of them take them */
export async function readByOthers() {
  const found = [];
  for (const [what, program, args] of READERS) {
    const { code, output } = await run(program, args, { cwd: ROOT, quiet: true });
    if (code !== 0) say(output.trim().split('\n').slice(-20).join('\n'));
    found.push(saySo(code === 0, what));
  }
  return found.every(Boolean);
}

/** The spreadsheet program of Debian, where the machine has it. */
const SPREADSHEET = 'soffice';
/** How it reads and writes CSV: comma, quote, UTF-8, from the first line; cells as they are stored. */
const AS_CSV = '44,34,76,1,,0,false,false,false';

/** What a cell says to a program that takes numbers for numbers, and the apostrophe for what keeps text from running. */
const sameCell = (one, other) =>
  one.replace(/^'(?=[=+\-@])/, '') === other.replace(/^'(?=[=+\-@])/, '') ||
  (one !== '' && other !== '' && Math.abs(Number(one) - Number(other)) < 1e-6);

/** The take-offs of the demo through the spreadsheet program and back. @returns whether no cell is another */
export async function tablesThroughSpreadsheet() {
  const what = 'take-offs as CSV, through a spreadsheet program and back';
  if (spawnSync(SPREADSHEET, ['--version']).error) {
    say(`not run  ${what}: it is not installed`);
    return true;
  }
  const { csvOf, takeoffSheet, CSV_STYLES, jobFile, kitFile } = await bundled(
    'tables',
    "export { csvOf, takeoffSheet, CSV_STYLES } from '@fine-spray/contract/formats'; export { jobFile, kitFile } from '@fine-spray/contract';",
  );
  const demo = (name) => JSON.parse(readFileSync(path.join(ROOT, 'demo', name), 'utf8'));
  const kit = kitFile.parse(demo('millrace.kit.json'));
  const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-tables-'));
  try {
    const names = readdirSync(path.join(ROOT, 'demo')).filter((name) => name.endsWith('.job.json'));
    const files = names.map((name) => path.join(folder, name.replace('.job.json', '.csv')));
    names.forEach((name, index) => {
      const sheet = takeoffSheet(jobFile.parse(demo(name)).surfaces, kit.coatings);
      writeFileSync(files[index], csvOf(sheet, CSV_STYLES.point));
    });
    const args = [`-env:UserInstallation=file://${folder}/profile`, '--headless', `--infilter=CSV:${AS_CSV}`];
    const out = ['--convert-to', `csv:Text - txt - csv (StarCalc):${AS_CSV}`, '--outdir', `${folder}/back`];
    const { status, stderr } = spawnSync(SPREADSHEET, [...args, ...out, ...files], { encoding: 'utf8' });
    if (status !== 0) say(stderr.slice(-600));
    const rowsOf = (file) => parse(readFileSync(file), { bom: true, relax_column_count: true });
    return saySo(
      status === 0 &&
        files.every((file) => {
          const [ours, back] = [rowsOf(file), rowsOf(path.join(folder, 'back', path.basename(file)))];
          const other = ours.flatMap((row, at) =>
            row.flatMap((cell, column) =>
              sameCell(cell, back[at]?.[column] ?? '') ? [] : [[cell, back[at]?.[column]]],
            ),
          );
          for (const [cell, came] of other.slice(0, 5))
            say(`${path.basename(file)}: ${cell} came back as ${came}`);
          return ours.length > 1 && ours.length === back.length && other.length === 0;
        }),
      `${files.length} ${what}`,
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** Programs that check a PDF, where the machine has them. */
const CHECKERS = [
  { name: 'qpdf', args: (file) => ['--check', file], isRight: ({ status }) => status === 0 },
  {
    name: 'pdfinfo',
    args: (file) => ['-struct-text', file],
    isRight: ({ status, stderr }) => status === 0 && !/error|warning/i.test(stderr),
  },
];

/** Every sheet of a job of the running application by the checkers that are installed. @returns whether they take them */
export async function sheetsChecked(address) {
  const list = async (url) => (await (await fetch(`${address}${url}`)).json()).items;
  const [job] = await list('/api/jobs');
  const sheets = ['job-sheet', 'buy-list', 'days'].map((name) => `/api/jobs/${job.id}/${name}.pdf`);
  sheets.push('/api/log/viscosity.pdf?zone=UTC');
  for (const { id } of await list(`/api/jobs/${job.id}/offers`)) sheets.push(`/api/offers/${id}/offer.pdf`);
  const folder = mkdtempSync(path.join(os.tmpdir(), 'fine-spray-sheets-'));
  try {
    const files = [];
    for (const url of sheets) {
      const response = await fetch(`${address}${url}`);
      if (!response.ok) return saySo(false, `${url}: ${response.status}`);
      files.push(path.join(folder, `${files.length}.pdf`));
      writeFileSync(files.at(-1), Buffer.from(await response.arrayBuffer()));
    }
    return CHECKERS.map(({ name, args, isRight }) => {
      const first = spawnSync(name, ['--version'], { encoding: 'utf8' });
      if (first.error) {
        say(`not run  sheets, by ${name}: it is not installed`);
        return true;
      }
      const said = files.map((file) => spawnSync(name, args(file), { encoding: 'utf8' }));
      for (const one of said.filter((each) => !isRight(each))) say(`${one.stdout}${one.stderr}`.slice(-600));
      return saySo(said.every(isRight), `${files.length} sheets, by ${name}`);
    }).every(Boolean);
  } finally {
    rmSync(folder, { recursive: true });
  }
}
