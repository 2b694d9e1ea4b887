import { stripVTControlCharacters } from 'node:util';

/** Most lines of a failure that are said again at the end of a run. */
const LINES = 14;

const brief = (text = '') =>
  stripVTControlCharacters(text)
    .split('\n')
    .filter((line) => line.trim() !== '')
    .slice(0, LINES)
    .join('\n    ');

/** What failed in a report of Jest: a name and the first lines of why, each. */
export const jestFailures = (report) =>
  (report?.testResults ?? []).flatMap(({ name, message, assertionResults }) => {
    const failed = assertionResults.filter(({ status }) => status === 'failed');
    if (failed.length === 0 && assertionResults.length === 0) return [`${name}\n    ${brief(message)}`];
    return failed.map(({ fullName, failureMessages }) => `${fullName}\n    ${brief(failureMessages[0])}`);
  });

/** What failed in a report of Playwright, and where something hangs that was not a test: a name and the first lines of why, each. */
export function browserFailures(report) {
  const tests = (suite) => [
    ...(suite.specs ?? []).flatMap(({ title, file, tests: each }) =>
      each
        .filter(({ status }) => status === 'unexpected')
        .map(({ projectName, results }) => {
          const last = results.at(-1);
          const why = (last?.errors ?? []).map(({ message }) => brief(message)).join('\n    ');
          return `[${projectName}] ${file}: ${title}, ${Math.round((last?.duration ?? 0) / 1000)} s\n    ${why}`;
        }),
    ),
    ...(suite.suites ?? []).flatMap(tests),
  ];
  const broken = (report?.errors ?? []).map(({ message }) => brief(message));
  return [...broken, ...(report?.suites ?? []).flatMap(tests)];
}
