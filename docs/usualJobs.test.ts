import { readFileSync } from 'node:fs';
import path from 'node:path';
import { USUAL_JOBS, answerTo, rowOf } from './usualJobs';

const METHOD = readFileSync(path.join(__dirname, 'method.md'), 'utf8');
const cells = (row: string) => row.split('|').map((cell) => cell.trim());
const ROWS = METHOD.slice(METHOD.indexOf('## Forty usual jobs'))
  .split('\n')
  .filter((line) => line.startsWith('| '))
  .map(cells);

describe('forty usual jobs', () => {
  it('are forty, each once', () => {
    expect(new Set(USUAL_JOBS.map(({ name }) => name)).size).toBe(40);
  });

  it.each(USUAL_JOBS.map((job) => [job.name, job] as const))(
    '%s: the answer is what somebody who does it expects',
    (_name, job) => {
      const answer = answerTo(job);
      for (const what of ['orifice', 'fan', 'pressure', 'speed', 'litres'] as const) {
        const [low, high] = job.expected[what];
        expect([what, answer[what], answer[what] >= low && answer[what] <= high]).toEqual([
          what,
          answer[what],
          true,
        ]);
      }
    },
  );

  it.each(USUAL_JOBS.map((job) => [job.name, job] as const))(
    '%s: stands in the table as it is',
    (name, job) => {
      expect(ROWS.find((row) => row[1] === name)).toEqual(cells(rowOf(job)));
    },
  );
});
