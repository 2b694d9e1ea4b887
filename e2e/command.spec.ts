import { spawnSync } from 'node:child_process';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { freePort, runStart, startFineSpray, temporaryHome, type Command } from './fine-spray';

/** One sentence, no stack trace, non-zero. */
async function endsWithSentence(command: Command, sentence: RegExp): Promise<void> {
  expect(await command.ended).toBe(1);
  expect(command.output()).toMatch(sentence);
  expect(command.output()).not.toMatch(/^\s+at /m);
}

test('a busy port is said, with what to do', async () => {
  const port = await freePort();
  const other = net.createServer().listen(port, '127.0.0.1');
  const { home, remove } = temporaryHome();
  await endsWithSentence(
    runStart({ PORT: String(port), FINE_SPRAY_HOME: home }),
    /Port \d+ is taken by another program\. Choose another: PORT=\d+ npm start/,
  );
  other.close();
  remove();
});

test('a PORT that is no port is said', async () => {
  await endsWithSentence(
    runStart({ PORT: 'eighty' }),
    /PORT must be a number from 1 to 65535; it is "eighty"/,
  );
});

test('a data folder that cannot be written is said', async () => {
  const { home, remove } = temporaryHome();
  writeFileSync(path.join(home, 'file'), '');
  const command = runStart({
    PORT: String(await freePort()),
    FINE_SPRAY_HOME: path.join(home, 'file', 'inside'),
  });
  await endsWithSentence(command, /data folder .* cannot be written .*FINE_SPRAY_HOME/);
  remove();
});

test('a database that does not come up is said', async () => {
  const url = `postgres://nobody:x@127.0.0.1:${await freePort()}/none`;
  await endsWithSentence(
    runStart({ PORT: String(await freePort()), DATABASE_URL: url }),
    /The database could not be used: .*Check DATABASE_URL/,
  );
});

test('a second start from the same folder is refused; both signals stop server and database', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    const running = await startFineSpray(home, await freePort());
    expect((await fetch(`${running.address}/api/health`)).status).toBe(200);
    await endsWithSentence(
      runStart({ PORT: String(await freePort()), FINE_SPRAY_HOME: home }),
      /already runs from/,
    );
    running.signal(signal);
    expect(await running.ended).toBe(0);
    expect(running.output()).toMatch(/Stopping …\nStopped\.\n$/);
    expect(spawnSync('pgrep', ['-f', home]).stdout.toString()).toBe('');
  }
  remove();
});

test('when its PostgreSQL is killed, it says so, starts it again and has everything', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const running = await startFineSpray(home, await freePort());
  const jobs = async () => {
    const answer = await fetch(`${running.address}/api/jobs`);
    return answer.ok ? ((await answer.json()) as { items: unknown[] }).items.length : answer.status;
  };
  for (let kill = 1; kill <= 2; kill += 1) {
    spawnSync('pkill', ['-KILL', '-f', `${home}.*-p`]);
    await expect.poll(() => running.output().split('PostgreSQL runs again').length - 1).toBe(kill);
    await expect.poll(jobs).toBe(3);
  }
  expect(running.output()).toMatch(/PostgreSQL ended by itself\. It said: .+\. Starting it again …/);
  expect(await running.stop()).toBe(0);
  expect(spawnSync('pgrep', ['-f', home]).stdout.toString()).toBe('');
  remove();
});

test('the server is nobody, and is started again when it ends by itself', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const running = await startFineSpray(home, await freePort());
  const parent = readFileSync(path.join(home, 'start.pid'), 'utf8');
  const first = serverOf(parent);
  expect(first.user).toBe(process.getuid?.() === 0 ? 'nobody' : first.user);
  process.kill(first.pid, 'SIGKILL');
  await expect.poll(() => running.output()).toContain('The server runs again.');
  expect((await fetch(`${running.address}/api/health`)).status).toBe(200);
  expect(serverOf(parent).pid).not.toBe(first.pid);
  expect(await running.stop()).toBe(0);
  remove();
});

/** The server's process among the children of the start command. */
function serverOf(parent: string): { pid: number; user: string } {
  const lines = spawnSync('ps', ['-o', 'pid=,user=,args=', '--ppid', parent]).stdout.toString().split('\n');
  const [pid = '', user = ''] = (lines.find((line) => line.includes('serve.mjs')) ?? '').trim().split(/\s+/);
  return { pid: Number(pid), user };
}

test('a setting that cannot be is said, and so is one that would let anyone in', async () => {
  for (const [env, sentence] of [
    [{ HOST: 'my-machine' }, /HOST must be an address of this machine/],
    [{ HOST: '0.0.0.0' }, /without sign-in anyone on them could read and change everything\. Set SIGN_IN=on/],
    [{ PUBLIC_URL: 'spray.example' }, /PUBLIC_URL must be an address without a path/],
    [{ TRUST_PROXY: 'all' }, /TRUST_PROXY must be the number of proxies/],
    [{ SIGN_IN: 'maybe' }, /SIGN_IN must be "on" or "off"/],
  ] as const) {
    await endsWithSentence(runStart({ PORT: String(await freePort()), ...env }), sentence);
  }
});

/** Ends everything that was started for a data folder, as when somebody pulls the plug. */
function pullThePlug(home: string): void {
  process.kill(Number(readFileSync(path.join(home, 'start.pid'), 'utf8')), 'SIGKILL');
  spawnSync('pkill', ['-KILL', '-f', home]);
}

const DEMO_ENTRIES = (
  JSON.parse(readFileSync(path.resolve(import.meta.dirname, '../demo/millrace.log.json'), 'utf8')) as {
    entries: unknown[];
  }
).entries.length;

test('the first start can be cut off at any moment: the next one has all of it', async () => {
  test.setTimeout(240_000);
  const { home, remove } = temporaryHome();
  // With an initdb of its own, since that is what can be cut.
  const env = { FINE_SPRAY_HOME: home, FINE_SPRAY_NEW_CLUSTER: '' };
  const moments = [
    [/Starting PostgreSQL/, 5],
    [/Making the database/, 0],
    [/Making the database/, 300],
    [/Making the database/, 700],
    [/Bringing the database/, 0],
    [/Bringing the database/, 60],
    [/Bringing the database/, 150],
    [/Bringing the database/, 350],
  ] as const;
  for (const [line, after] of moments) {
    const command = runStart({ ...env, PORT: String(await freePort()) });
    await expect.poll(() => line.test(command.output()) || command.output(), { intervals: [5] }).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, after));
    pullThePlug(home);
    await command.ended;
  }
  const running = await startFineSpray(home, await freePort());
  for (const [url, count] of [
    ['jobs', 3],
    ['entries', DEMO_ENTRIES],
  ] as const) {
    const { items } = (await (await fetch(`${running.address}/api/${url}`)).json()) as { items: unknown[] };
    expect(items).toHaveLength(count);
  }
  expect(await running.stop()).toBe(0);
  expect(readdirSync(path.join(home, 'postgres')).filter((name) => name.startsWith('begun-'))).toEqual([]);
  remove();
});
