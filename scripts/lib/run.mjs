import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';

/**
 * Runs a program to its end. Resolves with its exit code and output; never rejects for a non-zero code.
 * `quiet` keeps the output for the caller instead of showing it; `timeout` (ms) kills a program that does not end.
 */
export function run(program, args, { quiet = false, env = process.env, cwd, input, timeout } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      cwd,
      env,
      ...(timeout === undefined ? {} : { timeout, killSignal: 'SIGKILL' }),
      stdio: [
        input === undefined ? 'ignore' : 'pipe',
        quiet ? 'pipe' : 'inherit',
        quiet ? 'pipe' : 'inherit',
      ],
    });
    let output = '';
    child.stdout?.on('data', (data) => (output += data));
    child.stderr?.on('data', (data) => (output += data));
    child.on('error', reject);
    child.on('close', (code, signal) => resolve({ code: code ?? 1, signal, output }));
    if (input !== undefined) child.stdin.end(input);
  });
}

export const isRoot = () => process.getuid?.() === 0;

/** PostgreSQL refuses to run as root: then it runs as the system user Debian's package makes. */
export const asPostgres = (program, args) =>
  isRoot() ? ['runuser', ['-u', 'postgres', '--', program, ...args]] : [program, args];

/** Command line of a process; empty when it has ended and is not cleared away yet, undefined when there is none. */
export function commandLine(pid) {
  if (!Number.isInteger(pid) || pid <= 0) return undefined;
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return undefined;
  }
}

/**
 * Whether a process noted in a file still runs and is the one meant: its number may have been given to another
 * since. Its command line must contain `mark`, or match it.
 */
export function stillRuns(pid, mark) {
  const line = commandLine(pid) ?? '';
  return typeof mark === 'string' ? line.includes(mark) : mark.test(line);
}
