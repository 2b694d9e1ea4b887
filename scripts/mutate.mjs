import {
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureNodePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say, stop } from './lib/say.mjs';

/**
 * Breaks the formulas of the core one operator at a time and looks whether a test fails: `npm run mutate`.
 * By default one operator of each function; `--all` breaks every one; `--only=film/` looks at some files.
 * Survivors are printed with file and line; the exit code is 1 when there are any that are not listed below.
 */

/** Mutants that change nothing a test could see, with the reason. */
const EQUIVALENT = JSON.parse(readFileSync(path.join(ROOT, 'scripts/mutate.equivalent.json'), 'utf8'));

const SWAPS = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '**': '*',
  '<': '>',
  '>': '<',
  '<=': '>=',
  '>=': '<=',
};

function sources(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'formulas' ? [] : sources(full);
    const plain = entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts') && entry.name !== 'index.ts';
    return plain ? [full] : [];
  });
}

/** Operators of a file that can be broken, with the function they stand in. */
function mutantsOf(ts, file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ESNext, true);
  const found = [];
  const holdsText = (node) => {
    if (ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) return true;
    return ts.isBinaryExpression(node) && (holdsText(node.left) || holdsText(node.right));
  };
  const visit = (node, owner) => {
    const inner = ts.isFunctionLike(node) ? node.pos : owner;
    if (ts.isBinaryExpression(node)) {
      const operator = node.operatorToken.getText(source);
      const swap = SWAPS[operator];
      if (swap && !holdsText(node)) {
        const { line } = source.getLineAndCharacterOfPosition(node.operatorToken.getStart(source));
        found.push({
          file,
          text,
          owner: inner,
          line: line + 1,
          change: `${operator} → ${swap}`,
          code: text.split('\n')[line].trim(),
          from: node.operatorToken.getStart(source),
          to: node.operatorToken.getEnd(),
          swap,
        });
      }
    }
    node.forEachChild((child) => visit(child, inner));
  };
  visit(source, 0);
  return found;
}

/** One of each function: the operator in the middle, so that neither the guards nor the last sum always get it. */
function onePerFunction(mutants) {
  const owners = Map.groupBy
    ? Map.groupBy(mutants, ({ file, owner }) => `${file} ${owner}`)
    : mutants.reduce((map, one) => {
        const key = `${one.file} ${one.owner}`;
        return map.set(key, [...(map.get(key) ?? []), one]);
      }, new Map());
  return [...owners.values()].map((list) => list[Math.floor(list.length / 2)]);
}

/** A copy of what the core's tests need, to be broken in. */
function workshop(index) {
  const folder = path.join(ROOT, '.build', `mutate-${index}`);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const name of ['core', 'docs', 'jest.config.js', 'jest.setup.js', 'scripts/jest']) {
    cpSync(path.join(ROOT, name), path.join(folder, name), {
      recursive: true,
      filter: (from) => !from.includes('node_modules') && !from.endsWith('.png'),
    });
  }
  mkdirSync(path.join(folder, 'node_modules'));
  for (const name of readdirSync(path.join(ROOT, 'node_modules'))) {
    if (name !== '@fine-spray')
      symlinkSync(path.join(ROOT, 'node_modules', name), path.join(folder, 'node_modules', name));
  }
  mkdirSync(path.join(folder, 'node_modules/@fine-spray'));
  symlinkSync(path.join(folder, 'core'), path.join(folder, 'node_modules/@fine-spray/core'));
  writeFileSync(
    path.join(folder, 'jest.mutate.cjs'),
    "const all = require('./jest.config.js');\nmodule.exports = { projects: all.projects.filter((one) => ['core', 'docs'].includes(one.displayName)) };\n",
  );
  return folder;
}

/** How long the unbroken tests may take, ms; a run hangs when it takes several times as long as they did. */
const LONGEST = 600_000;
const HANGS = 4;

const jest = (folder, timeout, ...args) =>
  run(
    process.execPath,
    [
      path.join(ROOT, 'node_modules/jest/bin/jest.js'),
      '--config',
      'jest.mutate.cjs',
      '--bail',
      '--silent',
      '--runInBand',
      ...args,
    ],
    { cwd: folder, quiet: true, timeout },
  );

/** Whether a test fails: those beside the file first, which is quick, then all. A run that hangs counts as seen. */
async function isSeen(folder, relative, timeout) {
  const beside = await jest(folder, timeout, '--passWithNoTests', `core/${path.dirname(relative)}/`);
  if (beside.code !== 0) return true;
  return (await jest(folder, timeout)).code !== 0;
}

await main(async () => {
  await ensureNodePackages();
  const { default: ts } = await import('typescript');
  const only = process.argv.find((arg) => arg.startsWith('--only='))?.slice('--only='.length);
  const all = sources(path.join(ROOT, 'core/src'))
    .filter((file) => !only || file.includes(only))
    .flatMap((file) => mutantsOf(ts, file));
  const queue = process.argv.includes('--all') ? all : onePerFunction(all);
  const count = queue.length;
  const survivors = [];
  let done = 0;
  await Promise.all(
    Array.from({ length: Math.max(1, Math.min(os.cpus().length, 4)) }, async (_, index) => {
      const folder = workshop(index);
      const started = Date.now();
      if ((await jest(folder, LONGEST)).code !== 0)
        stop('The tests fail before anything is broken: mend that first.');
      const timeout = HANGS * (Date.now() - started);
      for (let mutant = queue.shift(); mutant; mutant = queue.shift()) {
        const relative = path.relative(path.join(ROOT, 'core'), mutant.file);
        const target = path.join(folder, 'core', relative);
        const { text } = mutant;
        writeFileSync(target, text.slice(0, mutant.from) + mutant.swap + text.slice(mutant.to));
        const seen = await isSeen(folder, relative, timeout);
        writeFileSync(target, text);
        done += 1;
        if (!seen) {
          const known = EQUIVALENT.find(
            (one) => one.file === relative && one.code === mutant.code && one.change === mutant.change,
          );
          survivors.push({ ...mutant, relative, known });
          say(
            `${known ? 'equivalent' : 'SURVIVED  '} ${relative}:${mutant.line}  ${mutant.change}  ${mutant.code}`,
          );
        }
        if (done % 25 === 0) say(`${done} of ${count}`);
      }
      if (existsSync(folder)) rmSync(folder, { recursive: true, force: true });
    }),
  );
  const open = survivors.filter(({ known }) => !known);
  say(
    `${count} broken one by one: ${count - survivors.length} seen by a test, ${survivors.length - open.length} change nothing, ${open.length} survived`,
  );
  process.exitCode = open.length === 0 ? 0 : 1;
});
