import { spawn } from 'node:child_process';
import path from 'node:path';
import { APP_DIST } from './build.mjs';
import { keptUp } from './keptUp.mjs';
import { ROOT } from './paths.mjs';
import { isRoot, run } from './run.mjs';
import { say } from './say.mjs';

const SCRIPT = path.join(ROOT, 'scripts/serve.mjs');
/**
 * Young memory is tidied often and shortly, MB: with Node's usual 16 whoever asks just then waits five milliseconds, with this one
 * or two, at about a hundredth of the server's time.
 */
const NODE = [process.execPath, '--max-semi-space-size=2', SCRIPT];
/** Who the server is when root starts it: somebody who owns nothing. */
const NOBODY = ['--reuid=nobody', '--regid=nogroup', '--clear-groups'];
/** All it may do besides: read what is in root's own folders, where the program may have been put. */
const MAY_READ = ['--inh-caps=-all,+dac_read_search', '--ambient-caps=-all,+dac_read_search'];
const MAY_NOTHING = ['--inh-caps=-all', '--ambient-caps=-all'];

/** The command of the server's process: never as root. */
async function commandLine() {
  const [program, ...args] = NODE;
  if (!isRoot()) return [program, args];
  const files = [SCRIPT, path.join(ROOT, 'server/dist/index.js'), path.join(APP_DIST, 'index.html')];
  const looks = await Promise.all(
    [...files, process.execPath].map((file) =>
      run('setpriv', [...NOBODY, 'test', '-r', file], { quiet: true }).then(({ code }) => code === 0),
    ),
  );
  const caps = looks.every(Boolean) ? MAY_NOTHING : MAY_READ;
  return ['setpriv', [...NOBODY, ...caps, ...NODE]];
}

/** One process of the server; resolves when it listens, throws what it failed with. */
async function startOnce(options, doFor) {
  const [program, args] = await commandLine();
  // A group of its own: Ctrl-C goes to us, and we say when to stop.
  const child = spawn(program, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
  });
  const ended = new Promise((resolve) => child.once('close', (code, signal) => resolve(signal ?? code)));
  const ready = new Promise((resolve, reject) => {
    child.on('message', (message) => {
      if (message.kind === 'say') say(message.line);
      if (message.kind === 'ready') resolve(message);
      if (message.kind === 'failed') reject(Object.assign(new Error(message.message), message));
      if (message.kind === 'do')
        doFor(message.what).then(
          () => child.send({ kind: 'done', id: message.id }),
          (error) => child.send({ kind: 'done', id: message.id, failed: error.message }),
        );
    });
    void ended.then((how) => reject(new Error(`the server ended by itself (${how})`)));
  });
  child.send({ kind: 'serve', options });
  const { address } = await ready.catch((error) => {
    child.kill('SIGKILL');
    throw error;
  });
  return {
    up: true,
    address,
    ended,
    stop: async () => {
      if (child.connected) child.send({ kind: 'stop' });
      await ended;
    },
  };
}

/**
 * Keeps the server running: one that ends by itself is started again, and it is said.
 * @param doFor does what only this process can: "back up"
 */
export async function keepServing(options, doFor) {
  const start = () => startOnce(options, doFor);
  const first = await start();
  const kept = keptUp(first, start, {
    ended: (how) => `The server ended by itself (${how}).`,
    why: (how) => `it ended with ${how}`,
    up: 'The server runs again.',
  });
  return {
    address: first.address,
    ended: kept.ended,
    stop: async () => {
      kept.end();
      await kept.now().stop();
      await kept.ended;
    },
  };
}
