import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
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

/** Steps that are right or wrong as a whole. */
const CHECKS = [
  ['Checking types', 'npm', ['run', '-s', 'typecheck']],
  ['Checking lint and the direction of imports', 'npm', ['run', '-s', 'lint']],
  ['Checking formatting', 'npm', ['run', '-s', 'format:check']],
];

await main(async () => {
  const started = Date.now();
  await ensureNodePackages();
  await ensurePostgres();
  await ensureChromium();
  mkdirSync(REPORTS, { recursive: true });
  for (const report of [JEST_REPORT, E2E_REPORT]) rmSync(report, { force: true });

  let wrong = 0;
  for (const [what, program, args] of CHECKS) {
    say(`${what} …`);
    const { code } = await run(program, args, { cwd: ROOT });
    if (code !== 0) wrong += 1;
  }
  say('Running the unit and API tests …');
  await run('npx', ['jest', '--json', `--outputFile=${JEST_REPORT}`, '--silent'], {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: 'test' },
  });
  await ensureBuilt();
  say('Running the browser tests …');
  await run('npx', ['playwright', 'test'], {
    cwd: path.join(ROOT, 'e2e'),
    env: { ...process.env, E2E_REPORT },
  });

  const counts = [jestCounts(), browserCounts()];
  const passed = counts.reduce((sum, count) => sum + count.passed, 0);
  const failed = counts.reduce((sum, count) => sum + count.failed, 0) + wrong;
  say(
    `Jest ${counts[0].passed} of ${counts[0].passed + counts[0].failed}, browser ${counts[1].passed} of ${counts[1].passed + counts[1].failed}, ${CHECKS.length - wrong} of ${CHECKS.length} checks; ${Math.round((Date.now() - started) / 1000)} s`,
  );
  say(`${passed} passed, ${failed} failed`);
  process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
});
