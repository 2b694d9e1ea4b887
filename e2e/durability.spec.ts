import { expect, test } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { startCluster } from '../scripts/lib/cluster.mjs';
import { freePort, temporaryHome } from './fine-spray';
import { Instance } from './instance';
import { storedLog } from './storedLog';

const WRITERS = 8;
/** Kills of PostgreSQL under load, each at another moment. */
const KILLS = 3;

const note = (text: string) =>
  JSON.stringify({
    kind: 'note',
    at: new Date().toISOString(),
    author: 'load',
    jobId: null,
    surfaceId: null,
    replaces: null,
    payload: { text },
    version: 0,
  });

test('PostgreSQL killed under load: nothing that was acknowledged is missing after its restart', async () => {
  test.setTimeout(240_000);
  const { home, remove } = temporaryHome();
  const folder = path.join(home, 'postgres');
  const acknowledged = new Map<string, string>();
  let refused = 0;
  const cluster = await startCluster(folder);
  const instance = new Instance(await freePort(), cluster.url);
  await instance.start();
  let writing = true;
  const writers = Array.from({ length: WRITERS }, async (_unused, writer) => {
    for (let count = 0; writing; count += 1) {
      const id = randomUUID();
      const text = `${writer} ${count}`;
      try {
        const answer = await fetch(`${instance.address}/api/entries/${id}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: note(text),
        });
        if (answer.status === 200) acknowledged.set(id, text);
        else refused += 1;
      } catch {
        refused += 1;
      }
    }
  });
  for (let kill = 0; kill < KILLS; kill += 1) {
    // Each at another moment of the load; it is started again under the writers.
    const enough = acknowledged.size + 150 + 100 * kill;
    await expect.poll(() => acknowledged.size).toBeGreaterThan(enough);
    const before = refused;
    const postmaster = Number(readFileSync(path.join(folder, 'data/postmaster.pid'), 'utf8').split('\n')[0]);
    process.kill(postmaster, 'SIGKILL');
    await expect.poll(() => refused).toBeGreaterThan(before);
    const after = acknowledged.size;
    await expect.poll(() => acknowledged.size).toBeGreaterThan(after + 50);
  }
  writing = false;
  await Promise.all(writers);
  try {
    const stored = new Map(
      (await storedLog(instance.address)).map(({ id, payload }) => [id, payload['text']]),
    );
    expect(acknowledged.size).toBeGreaterThan(200);
    expect(refused).toBeGreaterThan(0);
    expect([...acknowledged].filter(([id, text]) => stored.get(id) !== text)).toEqual([]);
  } finally {
    await instance.kill();
    await cluster.stop();
    remove();
  }
});
