import { existsSync } from 'node:fs';
import path from 'node:path';
import { ensureServerBuilt } from './lib/build.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say, stop } from './lib/say.mjs';

/**
 * Types, lint, formatting and the unit tests of what changed: `npm run test:changed`. Changed is what is not committed,
 * or the last commit where all is. Tests are those of the same workspace that reach a changed file; `npm test` runs all.
 */
const WORKSPACES = {
  core: ['core', 'docs'],
  docs: ['docs'],
  contract: ['contract'],
  server: ['server'],
  app: ['app'],
};

async function git(...args) {
  const { code, output } = await run('git', args, { cwd: ROOT, quiet: true });
  if (code !== 0) stop(`git ${args[0]} failed: ${output.trim()}`);
  return output.split('\n').filter((line) => line !== '');
}

async function changedFiles() {
  const open = [
    ...(await git('diff', '--name-only', 'HEAD')),
    ...(await git('ls-files', '--others', '--exclude-standard')),
  ];
  const all = open.length > 0 ? open : await git('diff', '--name-only', 'HEAD~1');
  return all.filter((file) => existsSync(path.join(ROOT, file)));
}

await main(async () => {
  const started = Date.now();
  const seconds = () => `${Math.round((Date.now() - started) / 1000)} s`;
  const files = await changedFiles();
  if (files.length === 0) stop('Nothing has changed.');
  const code = files.filter((file) => /\.(tsx?|mjs|cjs|js)$/.test(file));
  let wrong = 0;
  const step = async (what, program, args) => {
    const { code: ended, output } = await run(program, args, { cwd: ROOT, quiet: true });
    say(`${what}: ${ended === 0 ? 'right' : 'wrong'}, after ${seconds()}`);
    if (ended !== 0) {
      say(output.trimEnd());
      wrong += 1;
    }
  };
  const checks = async () => {
    await step('Types', 'npm', ['run', '-s', 'typecheck']);
    if (code.length > 0)
      await step('Lint', 'npx', ['eslint', '--max-warnings=0', '--no-warn-ignored', ...code]);
    await step('Formatting', 'npx', ['prettier', '--check', '--ignore-unknown', ...files]);
  };
  const tests = async () => {
    const sources = code.filter((file) => /^(core|docs|contract|server|app)\//.test(file));
    const projects = [...new Set(sources.flatMap((file) => WORKSPACES[file.split('/')[0]]))];
    if (projects.length === 0) return;
    if (projects.includes('server')) await ensureServerBuilt();
    await step('Tests', 'npx', [
      'jest',
      '--selectProjects',
      ...projects,
      '--passWithNoTests',
      '--findRelatedTests',
      ...sources,
    ]);
  };
  await Promise.all([checks(), tests()]);
  const specs = files.filter((file) => /^e2e\/.*\.spec\.ts$/.test(file)).map((file) => path.basename(file));
  if (specs.length > 0) say(`Browser tests are not run here: npm run e2e -- ${specs.join(' ')}`);
  say(wrong === 0 ? `All right, ${seconds()}` : `${wrong} wrong, ${seconds()}`);
  process.exitCode = wrong === 0 ? 0 : 1;
});
