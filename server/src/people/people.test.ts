import { randomUUID } from 'node:crypto';
import {
  device as deviceSchema,
  invitation,
  me as meSchema,
  problem,
  type Me,
  type Role,
} from '@fine-spray/contract';
import { startTestServer, type TestServer } from '../testing/server';
import { hashOfCode } from './secrets';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({ signIn: true, demo: false });
});
afterAll(() => server.stop());

interface Said {
  readonly status: number;
  readonly body: Record<string, unknown>;
}

/** A phone: it keeps its cookie. */
class Phone {
  cookie = '';
  constructor(readonly address = server.address) {}
  async call(method: string, path: string, body?: unknown): Promise<Said> {
    const response = await fetch(`${this.address}${path}`, {
      method,
      headers: {
        ...(this.cookie === '' ? {} : { Cookie: this.cookie }),
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const [cookie] = response.headers.getSetCookie();
    if (cookie !== undefined) this.cookie = cookie.split(';')[0] ?? '';
    const text = await response.text();
    return { status: response.status, body: text === '' ? {} : (JSON.parse(text) as Said['body']) };
  }
  async me(): Promise<Me> {
    return meSchema.parse((await this.call('GET', '/api/me')).body);
  }
}

const OWNER = {
  company: 'Kestrel Finishes',
  name: 'Ida Berg',
  initials: 'IB',
  login: 'Ida',
  password: 'correct horse',
};
let owner: Phone;

/** Makes somebody, and a phone of theirs by a code. */
async function somebody(role: Role, name = `A ${role}`): Promise<{ phone: Phone; id: string }> {
  const id = randomUUID();
  const made = await owner.call('PUT', `/api/people/${id}`, {
    name,
    initials: name.slice(2, 4).toUpperCase(),
    role,
    active: true,
    version: 0,
  });
  expect(made.status).toBe(200);
  const phone = new Phone();
  const { code } = invitation.parse((await owner.call('POST', `/api/people/${id}/invitation`)).body);
  const taken = await phone.call('POST', '/api/session/code', { code, device: 'A phone' });
  expect(taken.status).toBe(200);
  return { phone, id };
}

describe('an empty server', () => {
  it('says that there is no company, and its first screen makes one: once', async () => {
    owner = new Phone();
    const before = await owner.call('GET', '/api/me');
    expect([before.status, before.body['title']]).toEqual([401, 'No company yet']);
    const short = await owner.call('POST', '/api/company', { ...OWNER, password: 'short' });
    expect(problem.parse(short.body).errors).toMatchObject([{ field: 'password' }]);
    const made = await owner.call('POST', '/api/company', OWNER);
    expect(meSchema.parse(made.body)).toMatchObject({
      person: { name: 'Ida Berg', role: 'owner' },
      role: 'owner',
      company: { name: 'Kestrel Finishes' },
      signIn: true,
    });
    const again = await new Phone().call('POST', '/api/company', { ...OWNER, company: 'Another' });
    expect([again.status, again.body['title']]).toEqual([403, 'Not yours to do']);
  });

  it('then tells nobody anything but those it knows', async () => {
    for (const path of ['jobs', 'entries', 'people', 'company', 'devices', 'me', 'log/days/2026-11-29']) {
      const { status, body } = await new Phone().call('GET', `/api/${path}`);
      expect([path, status, body['title']]).toEqual([path, 401, 'Not signed in']);
    }
    const written = await new Phone().call('POST', '/api/entries', { entries: [] });
    expect(written.status).toBe(401);
    const forged = new Phone();
    forged.cookie = 'fine-spray=s%3Aguess.guess';
    expect((await forged.call('GET', '/api/jobs')).status).toBe(401);
    expect((await new Phone().call('GET', '/api/health')).status).toBe(200);
  });
});

describe('a password', () => {
  it('lets its owner in, whoever sees the table learns nothing, and a wrong one says nothing', async () => {
    const phone = new Phone();
    const right = await phone.call('POST', '/api/session/password', {
      login: 'ida',
      password: OWNER.password,
    });
    expect(right.status).toBe(200);
    expect((await phone.call('GET', '/api/jobs')).status).toBe(200);
    const answers = [
      await new Phone().call('POST', '/api/session/password', { login: 'ida', password: 'incorrect horse' }),
      await new Phone().call('POST', '/api/session/password', { login: 'nobody', password: OWNER.password }),
    ];
    expect(answers.map(({ status, body }) => [status, body['detail']])).toEqual([
      [401, 'Name or password is not right.'],
      [401, 'Name or password is not right.'],
    ]);
    const kept = JSON.stringify(await server.db('credential').select());
    expect(kept).not.toContain(OWNER.password);
    expect(kept).toContain('"n":131072');
  });
});

describe('a code', () => {
  it('makes a phone somebody’s, once, for ten minutes', async () => {
    const { phone, id } = await somebody('painter', 'A Painter');
    expect((await phone.me()).person).toMatchObject({ id, role: 'painter' });
    const { body } = await owner.call('POST', `/api/people/${id}/invitation`);
    const { code, url, picture, expiresAt } = invitation.parse(body);
    expect(code).toMatch(/^[2-9A-HJ-NP-Z]{10}$/);
    expect(url).toBe(`${server.address}/sign-in#${code}`);
    expect(picture).toContain('<svg');
    expect(Date.parse(expiresAt) - Date.now()).toBeLessThanOrEqual(600_000);
    expect(JSON.stringify(await server.db('sign_in_code').select())).not.toContain(code);
    // As it is read out: small letters, with dashes.
    const typed = `${code.slice(0, 5)}-${code.slice(5)}`.toLowerCase();
    const phones = [new Phone(), new Phone(), new Phone()];
    const answers = await Promise.all(
      phones.map((one) => one.call('POST', '/api/session/code', { code: typed })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 401, 401]);
    const late = invitation.parse((await owner.call('POST', `/api/people/${id}/invitation`)).body).code;
    await server
      .db('sign_in_code')
      .where({ hash: hashOfCode(late) })
      .update({ expiresAt: '2020-01-01' });
    expect((await new Phone().call('POST', '/api/session/code', { code: late })).status).toBe(401);
    expect((await new Phone().call('POST', '/api/session/code', { code: 'O0I1' })).status).toBe(422);
  });

  it('is shown by owners only', async () => {
    const { phone, id } = await somebody('lead');
    expect((await phone.call('POST', `/api/people/${id}/invitation`)).status).toBe(403);
  });
});

describe('a session', () => {
  it('is in a cookie no script reads, that another site does not send', async () => {
    const response = await fetch(`${server.address}/api/session/password`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ login: 'ida', password: OWNER.password }),
    });
    expect(response.headers.getSetCookie()[0]).toMatch(
      /^fine-spray=s%3A.*; Path=\/; Expires=.*; HttpOnly; SameSite=Lax$/,
    );
  });

  it('gets a new id each day; what is on its way with the old one is still answered', async () => {
    const { phone } = await somebody('painter');
    const before = phone.cookie;
    await phone.me();
    expect(phone.cookie).toBe(before);
    await server.db.raw(`update session set sess = jsonb_set(sess::jsonb, '{since}', '1')::json`);
    await phone.me();
    expect(phone.cookie).not.toBe(before);
    expect((await phone.call('GET', '/api/jobs')).status).toBe(200);
    const old = new Phone();
    old.cookie = before;
    expect((await old.call('GET', '/api/jobs')).status).toBe(200);
    const { rows } = await server.db.raw<{ rows: { left: number }[] }>(
      `select extract(epoch from expired - now()) as left from session order by expired limit 1`,
    );
    expect(Number(rows[0]?.left)).toBeLessThanOrEqual(60);
  });

  it('ends with one tap of an owner, and the device is told to forget', async () => {
    const { phone, id } = await somebody('painter');
    const { body } = await owner.call('GET', '/api/devices');
    const listed = (body['items'] as unknown[]).map((one) => deviceSchema.parse(one));
    const theirs = listed.find(({ personId }) => personId === id);
    expect(theirs?.name).toBe('A phone');
    expect(listed.filter(({ own }) => own).length).toBe(1);
    const { phone: other } = await somebody('lead');
    // Not by somebody else.
    await other.call('DELETE', `/api/devices/${theirs?.id ?? ''}`);
    expect((await phone.call('GET', '/api/jobs')).status).toBe(200);
    expect((await owner.call('DELETE', `/api/devices/${theirs?.id ?? ''}`)).status).toBe(204);
    const after = await phone.call('GET', '/api/jobs');
    expect([after.status, after.body['title']]).toEqual([401, 'This device was signed out']);
  });

  it('ends when somebody leaves, and when they sign out', async () => {
    const { phone, id } = await somebody('painter', 'A Leaver');
    const { body } = await owner.call('GET', `/api/people/${id}`);
    const { id: _id, createdAt: _made, updatedAt: _changed, ...person } = body;
    await owner.call('PUT', `/api/people/${id}`, { ...person, active: false });
    expect((await phone.call('GET', '/api/jobs')).body['title']).toBe('This device was signed out');
    expect((await owner.call('POST', `/api/people/${id}/invitation`)).status).toBe(403);
    const { phone: other } = await somebody('painter');
    expect((await other.call('DELETE', '/api/session')).status).toBe(204);
    expect((await other.call('GET', '/api/jobs')).status).toBe(401);
  });
});

describe('a role', () => {
  const tip = { family: 'standard', code: '515', litresBefore: 0, price: null, note: '', version: 0 };
  const person = { name: 'X', initials: 'X', role: 'painter', active: true, version: 0 };

  it.each([
    ['owner', { people: 200, tips: 200, company: 409 }],
    ['lead', { people: 403, tips: 200, company: 403 }],
    ['painter', { people: 403, tips: 403, company: 403 }],
    ['apprentice', { people: 403, tips: 403, company: 403 }],
  ] as const)('of %s may write what it says and nothing else', async (role, expected) => {
    const { phone } = await somebody(role);
    const status = async (path: string, body: unknown) => (await phone.call('PUT', path, body)).status;
    expect({
      people: await status(`/api/people/${randomUUID()}`, person),
      tips: await status(`/api/tips/${randomUUID()}`, tip),
      company: await status('/api/company', { name: 'X', book: null, version: 99 }),
    }).toEqual(expected);
    const writes = [{ resource: 'tips', id: randomUUID(), content: tip }];
    expect((await phone.call('POST', '/api/batch', { writes })).status).toBe(expected.tips);
    expect((await phone.call('DELETE', `/api/tips/${randomUUID()}?version=1`)).status).toBe(
      expected.tips === 200 ? 204 : 403,
    );
    // Everybody looks and writes the log; prices are for owners.
    expect((await phone.call('GET', '/api/tips')).status).toBe(200);
    const book = (await phone.call('GET', '/api/company')).body['book'] as { hour: unknown; prices: object };
    expect(Object.values(book.prices).every((price) => price === null)).toBe(true);
    expect((await phone.call('POST', '/api/entries', { entries: [] })).status).toBe(200);
  });

  it('sees and writes their own record of practice; those who lead see everybody’s', async () => {
    const { phone: mine, id } = await somebody('apprentice', 'A Wim');
    const { phone: other, id: otherId } = await somebody('painter', 'A Uma');
    const { phone: lead } = await somebody('lead', 'A Leo');
    const nothing = { items: {}, days: [], sprayed: [], taken: [], version: 0 };
    const put = async (phone: Phone, person: string) =>
      (await phone.call('PUT', `/api/practices/${person}`, nothing)).status;
    expect([await put(mine, id), await put(other, otherId), await put(mine, otherId)]).toEqual([
      200, 200, 403,
    ]);
    const seen = async (phone: Phone) => {
      const { items } = (await phone.call('GET', '/api/practices')).body as { items: { id: string }[] };
      return items.map((row) => row.id).filter((one) => one === id || one === otherId);
    };
    expect([await seen(mine), await seen(other), (await seen(lead)).length]).toEqual([[id], [otherId], 2]);
    const get = async (phone: Phone) => (await phone.call('GET', `/api/practices/${otherId}`)).status;
    expect([await get(mine), await get(other), await get(lead)]).toEqual([403, 200, 200]);
    const writes = [{ resource: 'practices', id: otherId, content: { ...nothing, version: 1 } }];
    expect((await mine.call('POST', '/api/batch', { writes })).status).toBe(403);
    expect((await mine.call('DELETE', `/api/practices/${otherId}?version=1`)).status).toBe(403);
    const told = async (phone: Phone) => {
      const { body } = await phone.call('GET', '/api/changes');
      return (body['items'] as { resource: string; id: string }[])
        .filter(({ resource }) => resource === 'practices')
        .map((one) => one.id);
    };
    expect(await told(mine)).toEqual([id]);
    expect(await told(lead)).toEqual(expect.arrayContaining([id, otherId]));
  });

  it('a company is never left without an owner', async () => {
    const [row] = (await owner.call('GET', '/api/people')).body['items'] as Record<string, unknown>[];
    const owners = (await owner.call('GET', '/api/people')).body['items'] as {
      id: string;
      role: string;
      version: number;
    }[];
    for (const { id, role, version } of owners.slice(1))
      if (role === 'owner') await owner.call('DELETE', `/api/people/${id}?version=${version}`);
    const { id, createdAt: _made, updatedAt: _changed, ...rest } = row ?? {};
    const demoted = await owner.call('PUT', `/api/people/${String(id)}`, { ...rest, role: 'lead' });
    expect([demoted.status, problem.parse(demoted.body).errors[0]?.field]).toEqual([422, 'role']);
    expect(
      (await owner.call('DELETE', `/api/people/${String(id)}?version=${String(rest['version'])}`)).status,
    ).toBe(422);
    expect((await owner.me()).role).toBe('owner');
  });
});

describe('the author of an entry', () => {
  const note = (more: object = {}) => ({
    kind: 'note',
    at: '2026-11-20T08:00:00.000Z',
    author: 'XX',
    jobId: null,
    surfaceId: null,
    replaces: null,
    payload: { text: 'Rain until noon' },
    ...more,
  });
  const write = async (phone: Phone, more: object = {}): Promise<Record<string, unknown>> => {
    const { body } = await phone.call('POST', '/api/entries', {
      entries: [{ id: randomUUID(), ...note(), ...more }],
    });
    const [one] = body['results'] as { row?: Record<string, unknown>; problem?: Record<string, unknown> }[];
    return one?.row ?? one?.problem ?? {};
  };

  it('is a person, by the server’s word, whatever the device says; repeating it changes nothing', async () => {
    const { phone, id } = await somebody('painter', 'A Zoe');
    const entryId = randomUUID();
    const first = await write(phone, { id: entryId });
    expect(first).toMatchObject({ author: 'ZO', personId: id });
    expect(await write(phone, { id: entryId })).toMatchObject({ id: entryId, version: 1 });
    const put = await phone.call('PUT', `/api/entries/${randomUUID()}`, { ...note(), version: 0 });
    expect(put.body).toMatchObject({ author: 'ZO', personId: id });
  });

  it('corrects their own; what somebody else wrote is for leads and owners', async () => {
    const { phone: mine } = await somebody('painter', 'A Mia');
    const { phone: other } = await somebody('apprentice', 'A Ola');
    const { phone: lead } = await somebody('lead', 'A Lee');
    const { id } = await write(mine);
    const back = { kind: 'withdrawn', replaces: id, payload: { why: '' } };
    expect(await write(other, back)).toMatchObject({ status: 403, title: 'Not yours to do' });
    expect(await write(mine, { replaces: id })).toMatchObject({ author: 'MI' });
    expect(await write(lead, back)).toMatchObject({ author: 'LE' });
  });

  it('is one of those who share a device, by a PIN', async () => {
    const { phone, id: first } = await somebody('painter', 'A Ben');
    const second = randomUUID();
    await owner.call('PUT', `/api/people/${second}`, {
      name: 'Cem',
      initials: 'CE',
      role: 'painter',
      active: true,
      version: 0,
    });
    expect((await phone.call('POST', '/api/session/person', { personId: second, pin: '1234' })).status).toBe(
      403,
    );
    const { code } = invitation.parse((await owner.call('POST', `/api/people/${second}/invitation`)).body);
    expect(meSchema.parse((await phone.call('POST', '/api/session/code', { code })).body).person?.id).toBe(
      second,
    );
    expect((await phone.me()).people.map(({ id }) => id).sort()).toEqual([first, second].sort());
    expect((await phone.call('PUT', '/api/me/pin', { pin: '12' })).status).toBe(422);
    expect((await phone.call('PUT', '/api/me/pin', { pin: '4711' })).status).toBe(204);
    const choose = async (personId: string, pin: string) =>
      (await phone.call('POST', '/api/session/person', { personId, pin })).status;
    // The first has none yet: back by a code.
    expect(await choose(first, '4711')).toBe(401);
    const { code: back } = invitation.parse(
      (await owner.call('POST', `/api/people/${first}/invitation`)).body,
    );
    await phone.call('POST', '/api/session/code', { code: back });
    // A wrong PIN is no sign that the device is out: it goes on as whose it was.
    const wrong = await phone.call('POST', '/api/session/person', { personId: second, pin: '0000' });
    expect([wrong.status, wrong.body['type']]).toEqual([401, 'urn:fine-spray:problem:wrong-secret']);
    expect((await phone.me()).person?.id).toBe(first);
    expect([await choose(second, '0000'), await choose(second, '4711')]).toEqual([401, 200]);
    // What the first wrote while it was theirs goes up under their name; a stranger's does not.
    expect(await write(phone, { personId: first })).toMatchObject({ author: 'BE', personId: first });
    expect(await write(phone)).toMatchObject({ author: 'CE', personId: second });
    const { id: stranger } = await somebody('painter', 'A Nil');
    expect(await write(phone, { personId: stranger })).toMatchObject({ status: 403 });
  });
});

describe('guessing', () => {
  it('is slowed down after ten tries from one address', async () => {
    const guess = () =>
      new Phone().call('POST', '/api/session/password', { login: 'ida', password: 'a guess at it' });
    let last: Said = { status: 0, body: {} };
    for (let count = 0; count < 11 && last.status !== 429; count += 1) last = await guess();
    expect([last.status, last.body['title']]).toEqual([429, 'Tried too often']);
  });
});
