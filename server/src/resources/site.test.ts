import { randomUUID } from 'node:crypto';
import { entriesOfKind, entry as entrySchema, gear as gearSchema } from '@fine-spray/contract';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const items = async (url: string) => (await server.call('GET', url)).body.items ?? [];
const content = ({
  id: _id,
  createdAt: _c,
  updatedAt: _u,
  clockSkew: _s,
  personId: _p,
  ...rest
}: Record<string, unknown>) => rest;

describe('gear', () => {
  const put = async (extra: Record<string, unknown>) => {
    const [gun] = (await items('/api/gear')).filter(({ kind }) => kind === 'gun');
    return server.call('PUT', `/api/gear/${randomUUID()}`, { ...content(gun ?? {}), ...extra, version: 0 });
  };

  it('comes with the demo, every kind of it, as the contract says', async () => {
    const all = (await items('/api/gear')).map((row) => gearSchema.parse(row));
    expect(new Set(all.map(({ kind }) => kind)).size).toBe(7);
    expect(all.every(({ version }) => version === 1)).toBe(true);
  });

  it.each([
    [{ maxPressure: 1000 }, 'maxPressure', /between 50 and 700 bar/],
    [{ maxPressure: null }, 'maxPressure', /Rating is missing/],
    [{ kind: 'cup' }, 'cup', /Cup is missing/],
    [{ kind: 'seal', seal: 'round' }, 'seal', /must be one of/],
    [{ count: 0 }, 'count', /between 1 and 99/],
    [{ name: '  ' }, 'name', /missing/],
  ])('with %j is refused at its field', async (extra, field, message) => {
    const answer = await put(extra);
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field,
      message: expect.stringMatching(message) as string,
    });
  });

  it('is stored, changed over its version and deleted like the rest of the kit', async () => {
    const made = await put({ name: 'Spare gun' });
    const url = `/api/gear/${String(made.body['id'])}`;
    const changed = await server.call('PUT', url, { ...content(made.body), count: 2, version: 1 });
    expect(changed.body).toMatchObject({ count: 2, version: 2 });
    expect((await server.call('DELETE', `${url}?version=2`)).status).toBe(204);
  });

  it.each([
    ['/api/sprayers', { power: 'steam' }, 'power'],
    ['/api/sprayers', { manifoldMesh: 5 }, 'manifoldMesh'],
    ['/api/hoses', { maxPressure: 1e9 }, 'maxPressure'],
    ['/api/hoses', { length: -3 }, 'length'],
    ['/api/hoses', { length: 4000 }, 'length'],
    ['/api/tips', { litresBefore: -1 }, 'litresBefore'],
  ])('%s with %j is refused at its field', async (url, extra, field) => {
    const [row] = await items(url);
    const answer = await server.call('PUT', `${url}/${randomUUID()}`, {
      ...content(row ?? {}),
      ...extra,
      version: 0,
    });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]?.field).toBe(field);
  });
});

describe('the site log', () => {
  const template = async (kind: string) =>
    content((await items('/api/entries')).find((row) => row['kind'] === kind) ?? {}) as Record<
      string,
      unknown
    >;
  const put = (id: string, body: unknown) => server.call('PUT', `/api/entries/${id}`, body);

  it('takes an entry once: the same again changes nothing, another is refused and the first stays', async () => {
    const id = randomUUID();
    const body = { ...(await template('viscosity')), version: 0 };
    const twice = [await put(id, body), await put(id, body)];
    expect(twice.map(({ status, body: row }) => [status, row['version']])).toEqual([
      [200, 1],
      [200, 1],
    ]);
    for (const version of [0, 1]) {
      expect((await put(id, { ...body, at: '2026-01-01T00:00:00Z', version })).status).toBe(409);
      // Whose it is, is the server's word: not compared.
      expect((await put(id, { ...body, author: 'XX', version })).body['version']).toBe(1);
    }
    expect((await server.call('DELETE', `/api/entries/${id}?version=1`)).status).toBe(409);
    expect((await server.call('GET', `/api/entries/${id}`)).body['author']).toBe(
      (body as Record<string, unknown>)['author'],
    );
  });

  it('a correction names what it replaces: both stay, one holds', async () => {
    const [id, correction] = [randomUUID(), randomUUID()];
    const body = { ...(await template('fan measured')), at: '2030-01-01T08:00:00Z', version: 0 };
    await put(id, body);
    const payload = { ...(body as unknown as { payload: object }).payload, width: 0.2 };
    await put(correction, { ...body, payload, replaces: id });
    const all = (await items('/api/entries')).map((row) => entrySchema.parse(row));
    const [later, earlier] = [correction, id].map((one) => all.some((row) => row.id === one));
    expect([later, earlier]).toEqual([true, true]);
    const held = entriesOfKind(all, 'fan measured').filter(({ entry }) => entry.at.startsWith('2030'));
    expect(held.map(({ payload: { width } }) => width)).toEqual([0.2]);
  });

  it.each([
    ['viscosity', { temperature: 260 }, 'payload.temperature', /frozen or boiling/],
    ['viscosity', { temperature: 390 }, 'payload.temperature', /frozen or boiling/],
    ['viscosity', { before: [] }, 'payload.before', /one cup time at least/],
    ['viscosity', { before: [0.1] }, 'payload.before.0', /between 2 and 600/],
    ['viscosity', { added: 0.5 }, 'payload.added', /More thinner than paint/],
    ['viscosity', { cup: 'mug' }, 'payload.cup', /must be one of/],
    ['set-up confirmed', { gun: 3 }, 'payload.gun', /between 5 and 700 bar/],
    ['set-up confirmed', { tip: { family: 'standard', code: '9' } }, 'payload.tip.code', /./],
    ['machine', { holds: 'tea' }, 'payload.holds', /must be one of/],
    ['fan measured', { width: -0.2 }, 'payload.width', /between 20 mm and 2 m/],
  ])('refuses %s with %j at %s', async (kind, extra, field, message) => {
    const body = await template(kind);
    const payload = { ...(body as { payload?: object }).payload, ...extra };
    const answer = await put(randomUUID(), { ...body, payload, version: 0 });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field,
      message: expect.stringMatching(message) as string,
    });
  });

  it('keeps what happened when the surface it happened on is gone', async () => {
    const id = randomUUID();
    const body = { ...(await template('machine')), surfaceId: randomUUID(), jobId: randomUUID(), version: 0 };
    expect((await put(id, body)).status).toBe(200);
  });
});

describe('the simulated gauge', () => {
  const order = {
    hoses: [{ length: 15, bore: 0.00635 }],
    height: 2,
    orificeThou: 17,
    maxFlow: 3.3e-5,
    density: 1300,
    lowShear: 1,
    highShear: 0.12,
    setting: 16e6,
    triggerHeld: true,
    fault: 'none',
    seed: 1,
  };
  const url = (extra: object = {}) =>
    `/api/stand-ins/gauge?order=${encodeURIComponent(JSON.stringify({ ...order, ...extra }))}`;

  it('streams readings as server-sent events that settle, until the client leaves', async () => {
    const leave = new AbortController();
    const response = await fetch(server.address + url(), { signal: leave.signal });
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    const reader = response.body?.getReader();
    let text = '';
    while (text.split('event: reading').length < 6) {
      text += Buffer.from((await reader?.read())?.value ?? []).toString();
    }
    leave.abort();
    const readings = [...text.matchAll(/data: (.*)\n/g)].map(
      ([, data]) => JSON.parse(data ?? '') as { tick: number; gun: number },
    );
    expect(readings.map(({ tick }) => tick)).toEqual(readings.map((_one, index) => index));
    expect(readings[4]?.gun).toBeGreaterThan(readings[0]?.gun ?? Infinity);
  });

  it.each([
    ['order.fault', { fault: 'gremlin' }],
    ['setting', { setting: 1 }],
    ['hoses.0.length', { hoses: [{ length: 90_000, bore: 0.00635 }] }],
    ['orifice', { orificeThou: 0 }],
  ])('is refused at %s', async (field, extra) => {
    const answer = await server.call('GET', url(extra));
    expect(answer.status).toBe(422);
    expect(field.endsWith(answer.body.errors?.[0]?.field ?? '?')).toBe(true);
  });

  it('is refused when the order is not JSON', async () => {
    expect((await server.call('GET', '/api/stand-ins/gauge?order=x')).body.errors?.[0]?.message).toMatch(
      /not JSON/,
    );
    expect((await server.call('GET', '/api/stand-ins/gauge')).status).toBe(422);
  });
});
