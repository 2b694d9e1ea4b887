import { randomUUID } from 'node:crypto';
import { fork } from 'node:child_process';
import http from 'node:http';
import { fileURLToPath } from 'node:url';

const SERVER = fileURLToPath(new URL('../../bench/serveBare.mjs', import.meta.url));

/** The bare server as a process of its own, as ours is one. */
export function startBare(databaseUrl, port) {
  const child = fork(SERVER, [databaseUrl, String(port)], { stdio: 'inherit' });
  return new Promise((resolve, reject) => {
    child.once('message', () => resolve({ address: `http://127.0.0.1:${port}`, stop: () => child.kill() }));
    child.once('exit', () => reject(new Error('the bare server ended')));
  });
}

/** Sends requests to one address over connections that stay open; nothing is read of an answer but whether it is one. */
function client(address, connections) {
  const agent = new http.Agent({ keepAlive: true, maxSockets: connections });
  const { hostname, port } = new URL(address);
  const send = (method, path, body) =>
    new Promise((resolve, reject) => {
      const text = body === undefined ? undefined : JSON.stringify(body);
      const headers = text
        ? { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(text) }
        : {};
      const request = http.request({ agent, hostname, port, method, path, headers }, (response) => {
        response.resume();
        response.on('end', () =>
          response.statusCode === 200
            ? resolve()
            : reject(new Error(`${method} ${path}: ${response.statusCode}`)),
        );
      });
      request.on('error', reject);
      request.end(text);
    });
  return { send, close: () => agent.destroy() };
}

const note = () => ({
  ...{ kind: 'note', schema: 1, at: '2026-10-05T07:30:00.000Z', author: 'WR', jobId: null, surfaceId: null },
  ...{ replaces: null, payload: { text: 'Second coat on the gable begun, north wall still wet.' } },
});

/** Entries a second, each by itself, so many at once. */
async function rate(address, count, atOnce) {
  const { send, close } = client(address, atOnce);
  let left = count;
  const work = async () => {
    while (left > 0) {
      left -= 1;
      await send('PUT', `/api/entries/${randomUUID()}`, { ...note(), version: 0 });
    }
  };
  const from = performance.now();
  await Promise.all(Array.from({ length: atOnce }, work));
  close();
  return (1000 * count) / (performance.now() - from);
}

/** Seconds for so many entries in requests of two hundred, one after another: a device that comes back. */
async function batches(address, count) {
  const { send, close } = client(address, 1);
  const from = performance.now();
  for (let sent = 0; sent < count; sent += 200)
    await send('POST', '/api/entries', {
      entries: Array.from({ length: 200 }, () => ({ id: randomUUID(), ...note() })),
    });
  close();
  return (performance.now() - from) / 1000;
}

/** Milliseconds of reads and of writes that begin at so many a second, whether those before have ended or not; sorted. */
async function paced(address, path, perSecond, seconds) {
  const { send, close } = client(address, 64);
  const [reads, writes] = [[], []];
  const running = [];
  const from = performance.now();
  for (let index = 0; index < perSecond * seconds; index += 1) {
    const due = from + (1000 * index) / perSecond;
    const wait = due - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    const began = performance.now();
    const write = index % 2 === 0;
    const sent = write
      ? send('PUT', `/api/entries/${randomUUID()}`, { ...note(), version: 0 })
      : send('GET', path);
    running.push(sent.then(() => (write ? writes : reads).push(performance.now() - began)));
  }
  await Promise.all(running);
  close();
  const sorted = (times) => times.sort((a, b) => a - b);
  return { reads: sorted(reads), writes: sorted(writes) };
}

const at = (times, share) => times[Math.floor((times.length - 1) * share)];
const middle = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/**
 * A server beside the bare one, turn and turn about, so that a machine that runs at half speed for a while has it for both.
 * @returns rates of entries, seconds of ten thousand in batches, and 99th percentiles at 150 a second: [ours, bare] each
 */
export async function compare(ours, bare, path, rounds = 5) {
  const both = async (work) => [await work(ours), await work(bare)];
  for (const one of [ours, bare]) await rate(one, 300, 16);
  const rates = [];
  const sent = [];
  const paces = [];
  for (let round = 0; round < rounds; round += 1) {
    rates.push(await both((one) => rate(one, 1500, 16)));
    sent.push(await both((one) => batches(one, 2000)));
    paces.push(await both((one) => paced(one, path, 150, 4)));
  }
  const of = (all, value) => [0, 1].map((side) => middle(all.map((one) => value(one[side]))));
  return {
    rates: of(rates, (one) => one),
    batches: of(sent, (one) => one),
    reads: of(paces, (one) => at(one.reads, 0.99)),
    writes: of(paces, (one) => at(one.writes, 0.99)),
  };
}
