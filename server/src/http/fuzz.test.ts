import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { ALL_OPERATIONS, RESOURCES, RESOURCE_NAMES, problem } from '@fine-spray/contract';
import { requestsOf, type MadeRequest, type Schema } from '../testing/requests';
import { startTestServer, textOf, type TestServer } from '../testing/server';

/** Requests of a run: a few in each, many by `npm run fuzz`. */
const REQUESTS = Number(process.env['FUZZ_REQUESTS'] ?? 2000);
const SEED = Number(process.env['FUZZ_SEED'] ?? 16);
/** Sent at once, as several devices do. */
const AT_ONCE = 8;
/** Streams and papers: one is left at once, the other takes a second each. */
const SELDOM = /stand-ins\/gauge|events|\.pdf$|log\/days/;

setFlagsFromString('--expose_gc');
const collect = runInNewContext('gc') as () => void;

/** What is held once everything that can go has gone, bytes. */
function held(): number {
  collect();
  return process.memoryUsage().heapUsed;
}

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const operationOf = ({ method, path }: MadeRequest) =>
  ALL_OPERATIONS.find((one) => one.path === path && one.method.toUpperCase() === method);

/** What is wrong with the answer to a request; nothing where it is as the document says. */
async function wrongWith(request: MadeRequest): Promise<string | undefined> {
  const { method, url, body } = request;
  const answer = await fetch(`${server.address}${url}`, {
    method,
    ...(body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body }),
    signal: AbortSignal.timeout(60_000),
  });
  const text = await textOf(answer);
  const said = `${method} ${url.slice(0, 200)} ${(body ?? '').slice(0, 400)}: ${answer.status} ${text.slice(0, 300)}`;
  if (answer.status >= 500 && answer.status !== 503 && answer.status !== 507) return said;
  if (answer.status >= 400)
    return problem.safeParse(JSON.parse(text)).data?.status === answer.status ? undefined : said;
  if (answer.status === 204) return text === '' ? undefined : said;
  const schema = operationOf(request)?.answer;
  if (!schema) return undefined;
  return schema.safeParse(JSON.parse(text)).success ? undefined : said;
}

it(`${REQUESTS} requests made from the API's document get no failure of ours and no answer outside it`, async () => {
  const document = (await server.call('GET', '/api/openapi.json')).body as Schema;
  const ids = (
    await Promise.all(
      RESOURCE_NAMES.map((name) => server.db(RESOURCES[name].table).limit(4).select<{ id: string }[]>('id')),
    )
  ).flatMap((rows) => rows.map(({ id }) => id));
  const made = requestsOf(document, ids, SEED);
  const wrong: string[] = [];
  const statuses = new Map<string, number>();
  let seldom = 0;
  let early: number | undefined;
  for (let sent = 0; sent < REQUESTS && wrong.length < 10; sent += AT_ONCE) {
    if (sent > REQUESTS / 4) early ??= held();
    const some: MadeRequest[] = [];
    while (some.length < AT_ONCE) {
      const { value } = made.next() as { value: MadeRequest };
      if (SELDOM.test(value.path) && (seldom += 1) % 40 !== 0) continue;
      some.push(value);
    }
    const found = await Promise.all(some.map(wrongWith));
    wrong.push(...found.filter((one) => one !== undefined));
    for (const { path } of some) statuses.set(path, (statuses.get(path) ?? 0) + 1);
  }
  expect(wrong).toEqual([]);
  // What was answered is let go: three quarters of the run hold no more than the first did.
  expect(held() / (early ?? 0)).toBeLessThan(1.3);
  // Every address was asked, and the server is as well as before.
  expect([...statuses.keys()].length).toBeGreaterThan(30);
  expect((await server.call('GET', '/api/health')).status).toBe(200);
}, 3_600_000);
