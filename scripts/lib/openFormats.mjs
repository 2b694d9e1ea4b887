import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
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
