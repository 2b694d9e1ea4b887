import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt, ensureServerBuilt } from './lib/build.mjs';
import { browserFailures, jestFailures } from './lib/failures.mjs';
import { ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';

const REPORTS = path.join(ROOT, '.build');
const JEST_REPORT = path.join(REPORTS, 'jest.json');
const E2E_REPORT = path.join(REPORTS, 'e2e.json');

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined);

/** Counts of a Jest report; a suite that did not run at all is one failure. */
function jestCounts() {
  const report = read(JEST_REPORT);
  if (!report) return { passed: 0, failed: 1 };
  return { passed: report.numPassedTests, failed: report.numFailedTests + report.numRuntimeErrorTestSuites };
}

/** Counts of a Playwright report; a run that broke before its tests is one failure. */
function browserCounts() {
  const stats = read(E2E_REPORT)?.stats;
  if (!stats) return { passed: 0, failed: 1 };
  const passed = stats.expected + stats.flaky;
  return { passed, failed: stats.unexpected + (passed + stats.unexpected === 0 ? 1 : 0) };
}

/** Runs a step whose output matters only when it fails; says how long it took. */
async function check([what, script]) {
  const from = Date.now();
  const { code, output } = await run('npm', ['run', '-s', script], { cwd: ROOT, quiet: true });
  say(`${what}: ${code === 0 ? 'right' : 'wrong'}, ${seconds(from)}`);
  if (code !== 0) say(output.trimEnd());
  return code === 0;
}

const seconds = (from) => `${Math.round((Date.now() - from) / 1000)} s`;

/** Steps that are right or wrong as a whole. */
const CHECKS = [
  ['Types', 'typecheck'],
  ['Lint and the direction of imports', 'lint'],
  ['The API document, by two linters and a client', 'lint:api'],
  ['Formatting', 'format:check'],
];

/** The application is built and the checks are made beside the unit tests, one after another. */
async function buildAndCheck() {
  await ensureBuilt();
  const right = [];
  for (const one of CHECKS) right.push(await check(one));
  return right.filter((one) => !one).length;
}

await main(async () => {
  const started = Date.now();
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  mkdirSync(REPORTS, { recursive: true });
  for (const report of [JEST_REPORT, E2E_REPORT]) rmSync(report, { force: true });

  // Both need it: built once, before they begin.
  await ensureServerBuilt();
  say('Checking types, lint and formatting; running the unit and API tests …');
  const beside = Date.now();
  const [wrong] = await Promise.all([
    buildAndCheck(),
    run('npx', ['jest', '--maxWorkers=2', '--json', `--outputFile=${JEST_REPORT}`, '--silent'], {
      cwd: ROOT,
      env: { ...process.env, NODE_ENV: 'test' },
    }),
  ]);
  say(`Unit and API tests and checks took ${seconds(beside)}`);
  say('Running the browser tests …');
  const browser = Date.now();
  await run('npx', ['playwright', 'test'], {
    cwd: path.join(ROOT, 'e2e'),
    env: { ...process.env, E2E_REPORT },
  });
  say(`Browser tests took ${seconds(browser)}`);

  const counts = [jestCounts(), browserCounts()];
  // Where only the end of the output is kept, what failed hours before is there too.
  for (const one of [...jestFailures(read(JEST_REPORT)), ...browserFailures(read(E2E_REPORT))])
    say(`Failed: ${one}`);
  const passed = counts.reduce((sum, count) => sum + count.passed, 0);
  const failed = counts.reduce((sum, count) => sum + count.failed, 0) + wrong;
  say(
    `Jest ${counts[0].passed} of ${counts[0].passed + counts[0].failed}, browser ${counts[1].passed} of ${counts[1].passed + counts[1].failed}, ${CHECKS.length - wrong} of ${CHECKS.length} checks; ${seconds(started)}`,
  );
  say(`${passed} passed, ${failed} failed`);
  process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
});
