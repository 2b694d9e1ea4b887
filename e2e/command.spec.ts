import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
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

test('when its PostgreSQL is killed, it says so and stops; the next start has everything', async () => {
  test.setTimeout(120_000);
  const { home, remove } = temporaryHome();
  const running = await startFineSpray(home, await freePort());
  spawnSync('pkill', ['-KILL', '-f', `${home}.*-p`]);
  expect(await running.ended).toBe(1);
  expect(running.output()).toMatch(/PostgreSQL ended by itself/);
  const again = await startFineSpray(home, await freePort());
  const { items } = (await (await fetch(`${again.address}/api/jobs`)).json()) as { items: unknown[] };
  expect(items).toHaveLength(3);
  await again.stop();
  remove();
});
