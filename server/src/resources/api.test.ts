import { randomUUID } from 'node:crypto';
import { surfacesOf } from '@fine-spray/core/takeoff';
import {
  BATCH_LIMIT,
  RESOURCES,
  RESOURCE_NAMES,
  SURFACES_PER_JOB,
  USUAL_BOOK,
  place as placeSchema,
  problem,
  surface as surfaceSchema,
  tombstone,
  type Place,
  type Surface,
} from '@fine-spray/contract';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const content = <T extends Record<string, unknown>>(row: T) => {
  const {
    id: _id,
    createdAt: _made,
    updatedAt: _changed,
    surfaceCount: _count,
    personId: _by,
    ...rest
  } = row;
  return rest;
};
async function items(url: string): Promise<Record<string, unknown>[]> {
  return (await server.call('GET', url)).body.items ?? [];
}
/** Deletes a row as it stands. */
async function drop(url: string) {
  const { body } = await server.call('GET', url);
  return server.call('DELETE', `${url}?version=${String(body['version'])}`);
}
async function boathouse() {
  const job = (await items('/api/jobs')).find(({ name }) => name === 'Tern Boathouse');
  if (!job) throw new Error('no Tern Boathouse');
  return job;
}
/** One that is measured by itself: a room has each of its walls once. */
async function firstWall(): Promise<Surface> {
  const job = await boathouse();
  const all = await items(`/api/jobs/${String(job['id'])}/surfaces`);
  return surfaceSchema.parse(all.find(({ placeId, element }) => placeId === null && element === 'wall'));
}

describe('the demo', () => {
  it('has the three jobs with their surfaces, in order', async () => {
    const jobs = await items('/api/jobs');
    expect(jobs.map(({ name, surfaceCount }) => [name, surfaceCount])).toEqual([
      ['Tern Boathouse', 38],
      ['Kiln House, ground floor', 9],
      ['Orchard Row 3', 9],
    ]);
    const surfaces = await items(`/api/jobs/${String((await boathouse())['id'])}/surfaces`);
    expect(surfaces.slice(0, 2).map(({ name }) => name)).toEqual(['North wall', 'East gable']);
    expect((await server.call('GET', '/api/company')).body).toMatchObject({ name: 'Millrace Decorating' });
  });
});

/** Rows that change and have a text; the log, which does not change, has its own tests (site.test.ts), and so have plans of the days and records of practice. */
const CHANGING = RESOURCE_NAMES.filter((name) => !['entries', 'schedules', 'practices'].includes(name));

let offers = 1000;
/** A text that each row has. */
const textIn = (row: object) => ['name', 'note', 'intro'].find((key) => key in row) ?? '';

describe.each(CHANGING)('%s', (name) => {
  const path = `/api/${name}`;
  async function sample() {
    if (name === 'surfaces') return { ...(await firstWall()) } as Record<string, unknown>;
    const all = await items(
      name === 'places' ? `/api/jobs/${String((await boathouse())['id'])}/places` : path,
    );
    // An offer changes until it is sent, and no two have one number.
    const row = name === 'offers' ? all.find(({ state }) => state === 'draft') : all[0];
    if (!row) throw new Error(`no ${name}`);
    return name === 'offers' ? { ...row, number: (offers += 1) } : row;
  }

  it('stores, returns and deletes by a client-made id', async () => {
    const id = randomUUID();
    const made = await server.call('PUT', `${path}/${id}`, { ...content(await sample()), version: 0 });
    expect(made.status).toBe(200);
    expect(made.body).toMatchObject({ id, version: 1 });
    expect((await server.call('GET', `${path}/${id}`)).body).toEqual(made.body);
    const gone = async (version: number) =>
      (await server.call('DELETE', `${path}/${id}?version=${version}`)).status;
    expect([await gone(2), await gone(1), await gone(1)]).toEqual([409, 204, 204]);
    expect((await server.call('GET', `${path}/${id}`)).status).toBe(404);
  });

  it('changes nothing when a request is replayed, and refuses a stale version with the row as it stands', async () => {
    const id = randomUUID();
    const original = content(await sample());
    const key = textIn(original);
    const put = (value: string, version: number) =>
      server.call('PUT', `${path}/${id}`, { ...original, [key]: value, version });
    await put('First', 0);
    expect((await put('First', 0)).body).toMatchObject({ version: 1 });
    expect((await put('Second', 1)).body).toMatchObject({ version: 2, [key]: 'Second' });
    expect((await put('Second', 1)).body).toMatchObject({ version: 2 });
    const stale = await put('Third', 1);
    expect(stale.status).toBe(409);
    expect(problem.parse(stale.body)).toMatchObject({
      status: 409,
      current: { version: 2, [key]: 'Second' },
    });
    await drop(`${path}/${id}`);
  });

  it('stays deleted: a late write is refused with what is left, and one over that brings it back', async () => {
    const id = randomUUID();
    const original = content(await sample());
    const put = (version: number) => server.call('PUT', `${path}/${id}`, { ...original, version });
    await put(0);
    await drop(`${path}/${id}`);
    for (const late of [await put(0), await put(1)]) {
      expect(late.status).toBe(409);
      expect(tombstone.parse(late.body['current'])).toMatchObject({ id, version: 2 });
    }
    expect((await server.call('GET', `${path}/${id}`)).status).toBe(404);
    expect((await put(2)).body).toMatchObject({ id, version: 3 });
    // Sent again, as by a phone that has not heard the answer.
    expect((await put(2)).body).toMatchObject({ id, version: 3 });
    await drop(`${path}/${id}`);
  });

  it('answers 404 for an id that is not there, also to a change of it, and for what is no id', async () => {
    const missing = `${path}/${randomUUID()}`;
    expect((await server.call('GET', missing)).status).toBe(404);
    expect((await server.call('PUT', missing, { ...content(await sample()), version: 3 })).status).toBe(404);
    const answer = await server.call('GET', `${path}/not-an-id`);
    expect(answer.status).toBe(404);
    expect(answer.headers.get('content-type')).toContain('application/problem+json');
  });

  it('refuses a body of another shape with 422 and the fields', async () => {
    const empty = await server.call('PUT', `${path}/${randomUUID()}`, {});
    expect(empty.status).toBe(422);
    expect(problem.parse(empty.body).errors.map(({ field }) => field)).toContain('version');
    const extra = await server.call('PUT', `${path}/${randomUUID()}`, {
      ...content(await sample()),
      version: 0,
      admin: true,
    });
    expect(extra.status).toBe(422);
  });

  it('takes markup and emoji as plain text and refuses text that is too long, at its field', async () => {
    const id = randomUUID();
    const original = content(await sample());
    const key = textIn(original);
    const odd = '<b onmouseover="x()">Wände</b> 🎨 \'; drop table job; --';
    expect(
      (await server.call('PUT', `${path}/${id}`, { ...original, [key]: odd, version: 0 })).body[key],
    ).toBe(odd);
    const long = await server.call('PUT', `${path}/${id}`, {
      ...original,
      [key]: 'x'.repeat(10_000),
      version: 1,
    });
    expect(long.status).toBe(422);
    expect(long.body.errors).toEqual([
      expect.objectContaining({ field: key, message: expect.stringContaining('too long') as string }),
    ]);
    expect(
      (await server.call('PUT', `${path}/${id}`, { ...original, [key]: 'a\u0000b', version: 1 })).status,
    ).toBe(422);
    expect((await server.call('GET', `${path}/${id}`)).body[key]).toBe(odd);
    await drop(`${path}/${id}`);
  });
});

describe('a surface', () => {
  const change = async (extra: Record<string, unknown>) =>
    server.call('PUT', `/api/surfaces/${randomUUID()}`, {
      ...content({ ...(await firstWall()) }),
      ...extra,
      version: 0,
    });
  const wall = { shape: 'rectangle', width: 4, height: 2.4, count: 1, openings: [] as unknown[] };
  const door = { id: randomUUID(), kind: 'door', width: 0.9, height: 2.1, count: 1 };

  it.each([
    [{ geometry: { ...wall, width: 0 } }, 'geometry.width'],
    [{ geometry: { ...wall, height: -3 } }, 'geometry.height'],
    [{ geometry: { ...wall, width: 1e12 } }, 'geometry.width'],
    [{ geometry: { ...wall, width: '4' } }, 'geometry.width'],
    [{ geometry: { ...wall, openings: [{ ...door, width: 5 }] } }, 'geometry.openings.0.width'],
    [{ geometry: { ...wall, openings: [{ ...door, count: 20 }] } }, 'geometry.openings'],
    [{ tip: { family: 'standard', code: '5150' } }, 'tip.code'],
    [{ tip: { family: 'standard', code: '514' } }, 'tip.code'],
    [{ coats: 0 }, 'coats'],
    [{ kind: 'plasma' }, 'kind'],
    [{ coatingId: randomUUID() }, 'coatingId'],
    [{ jobId: randomUUID() }, 'jobId'],
  ])('refuses %j at %s with a sentence', async (extra, field) => {
    const answer = await change(extra);
    expect(answer.status).toBe(422);
    const found = answer.body.errors?.find((error) => error.field === field);
    expect(found?.message).toMatch(/^[A-Z0-9].*[.?]$/);
  });

  it('takes a four-digit tip', async () => {
    const answer = await change({ tip: { family: 'wide', code: '1021' } });
    expect(answer.body['tip']).toEqual({ family: 'wide', code: '1021' });
    await drop(`/api/surfaces/${String(answer.body['id'])}`);
  });

  it('goes when its job goes, and a coating in use stays', async () => {
    const job = content(await boathouse());
    const jobId = randomUUID();
    await server.call('PUT', `/api/jobs/${jobId}`, { ...job, version: 0 });
    const made = await change({ jobId });
    const coating = await drop(`/api/coatings/${String(made.body['coatingId'])}`);
    expect(coating.status).toBe(409);
    expect(coating.body['detail']).toMatch(/still used/);
    expect((await drop(`/api/jobs/${jobId}`)).status).toBe(204);
    expect((await server.call('GET', `/api/surfaces/${String(made.body['id'])}`)).status).toBe(404);
  });

  it(`fits ${SURFACES_PER_JOB} in a job and refuses one more with a sentence`, async () => {
    const jobId = randomUUID();
    await server.call('PUT', `/api/jobs/${jobId}`, { ...content(await boathouse()), version: 0 });
    const company = String((await server.call('GET', '/api/company')).body['id']);
    const template = (await server.db('surface').first()) as Record<string, unknown>;
    const rows = Array.from({ length: SURFACES_PER_JOB }, (_unused, position) => ({
      ...template,
      geometry: JSON.stringify(template['geometry']),
      under: JSON.stringify(template['under']),
      id: randomUUID(),
      jobId,
      companyId: company,
      position,
    }));
    await server.db.batchInsert('surface', rows, 200);
    expect((await items(`/api/jobs/${jobId}/surfaces`)).length).toBe(SURFACES_PER_JOB);
    const answer = await change({ jobId });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field: 'jobId',
      message: expect.stringContaining('1,000 surfaces at most') as string,
    });
    await drop(`/api/jobs/${jobId}`);
  });
});

describe('a place', () => {
  const place = async (): Promise<Place> => {
    const rows = await items(`/api/jobs/${String((await boathouse())['id'])}/places`);
    return placeSchema.parse(rows.find(({ name }) => name === 'Galley'));
  };

  it('has surfaces that follow from it, and they go with it', async () => {
    const galley = await place();
    const surfaces = await items(`/api/jobs/${galley.jobId}/surfaces`);
    const own = surfaces
      .filter(({ placeId }) => placeId === galley.id)
      .map((row) => surfaceSchema.parse(row));
    const follows = surfacesOf(galley.measure);
    expect(follows.ok && follows.value.map(({ element, geometry }) => ({ element, geometry }))).toEqual(
      own.map(({ element, geometry }) => ({ element, geometry })),
    );
    const id = randomUUID();
    await server.call('PUT', `/api/places/${id}`, { ...content({ ...galley }), version: 0 });
    const [wall] = own;
    const surfaceId = randomUUID();
    await server.call('PUT', `/api/surfaces/${surfaceId}`, {
      ...content({ ...wall }),
      placeId: id,
      version: 0,
    });
    expect((await drop(`/api/places/${id}`)).status).toBe(204);
    expect((await server.call('GET', `/api/surfaces/${surfaceId}`)).status).toBe(404);
  });

  it.each([
    [{ height: 0 }, 'measure.height', /^Height must be between/],
    [{ plan: [0, 1, 2].map((x) => ({ x, y: 0 })) }, 'measure.plan', /no area/],
    [{ ceiling: { shape: 'vaulted', ridge: 1, rises: 'x' } }, 'measure.ceiling.ridge', /at least as high/],
  ])('that cannot be is refused at its field: %j', async (extra, field, sentence) => {
    const galley = await place();
    const answer = await server.call('PUT', `/api/places/${randomUUID()}`, {
      ...content({ ...galley }),
      measure: { ...galley.measure, ...extra },
      version: 0,
    });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field,
      message: expect.stringMatching(sentence) as string,
    });
  });
});

describe('a row that is stored in another way than its schema says', () => {
  const BROKEN: Readonly<Record<string, Record<string, unknown>>> = {
    people: { role: 'king' },
    coatings: { overrides: JSON.stringify({ density: { value: 'thick' } }) },
    sprayers: { power: 'steam' },
    hoses: { bore: 7 },
    tips: { family: 'magic' },
    gear: { kind: 'ladder' },
    systems: { layers: JSON.stringify([]) },
    jobs: { status: 'lost' },
    places: { measure: JSON.stringify({ kind: 'cave' }) },
    offers: { state: 'lost' },
    schedules: { school: 'doors first' },
    practices: { days: JSON.stringify('all of them') },
    surfaces: { geometry: JSON.stringify({ shape: 'rectangle', width: 'wide' }) },
    entries: { payload: JSON.stringify({ volume: 'a lot' }), kind: 'sprayed' },
  };

  it.each(RESOURCE_NAMES)(
    'of %s costs one line: the list goes on without it, by itself it is refused by name',
    async (name) => {
      const { path, ofJob, table } = RESOURCES[name];
      const list = ofJob ? `/api/jobs/${String((await boathouse())['id'])}/${path}` : `/api/${path}`;
      const before = await items(list);
      const id = String(before[0]?.['id']);
      const stored = (await server.db(table).where({ id }).first()) as Record<string, unknown>;
      const broken = BROKEN[name] ?? {};
      await server.db(table).where({ id }).update(broken);
      const { body } = await server.call('GET', list);
      expect(body.items?.map((row) => row['id'])).toEqual(before.slice(1).map((row) => row['id']));
      expect(body['unreadable']).toEqual([
        { id, name: expect.any(String) as string, why: expect.stringMatching(/\(.+\)$/) as string },
      ]);
      const alone = await server.call('GET', `/api/${path}/${id}`);
      expect([alone.status, alone.body['title']]).toEqual([500, 'Stored in a way that cannot be read']);
      const back = Object.fromEntries(
        Object.keys(broken).map((field) => {
          const value = stored[field];
          return [field, typeof value === 'object' && value !== null ? JSON.stringify(value) : value];
        }),
      );
      await server.db(table).where({ id }).update(back);
      expect(await items(list)).toEqual(before);
    },
  );
});

describe('plans of the days', () => {
  it('are one for each job, stored, changed over the version that was seen, and gone with their job', async () => {
    const job = await server.call('PUT', `/api/jobs/${randomUUID()}`, {
      ...content(await boathouse()),
      ...{ name: 'Planned', version: 0 },
    });
    const jobId = String(job.body['id']);
    const [demo = {}] = await items('/api/schedules');
    const url = `/api/schedules/${randomUUID()}`;
    const plan = { ...content(demo), jobId, version: 0 };
    const made = await server.call('PUT', url, plan);
    expect([made.status, made.body['version']]).toEqual([200, 1]);
    expect((await server.call('PUT', url, plan)).body).toEqual(made.body);
    const changed = await server.call('PUT', url, { ...plan, sprayers: 2, version: 1 });
    expect(changed.body).toMatchObject({ sprayers: 2, version: 2 });
    const late = await server.call('PUT', url, { ...plan, sprayers: 3, version: 1 });
    expect([late.status, late.body['current']]).toEqual([409, changed.body]);
    const none = await server.call('PUT', url, { ...plan, sprayers: 0, version: 2 });
    expect([none.status, none.body['errors']]).toEqual([
      422,
      [expect.objectContaining({ message: 'There is no sprayer: put at least one on the job.' })],
    ]);
    await drop(`/api/jobs/${jobId}`);
    expect((await server.call('GET', url)).status).toBe(404);
  });
});

describe('records of practice', () => {
  it('are one for each person, under their id, changed over the version that was seen, and gone with the person', async () => {
    const [demo = {}] = await items('/api/practices');
    const id = randomUUID();
    const url = `/api/practices/${id}`;
    const record = { ...content(demo), version: 0 };
    expect((await server.call('PUT', url, record)).status).toBe(422);
    const person = { name: 'New', initials: 'NE', role: 'apprentice', active: true, version: 0 };
    await server.call('PUT', `/api/people/${id}`, person);
    const made = await server.call('PUT', url, record);
    expect([made.status, made.body['version']]).toEqual([200, 1]);
    expect((await server.call('PUT', url, record)).body).toEqual(made.body);
    const changed = await server.call('PUT', url, { ...record, sprayed: [], version: 1 });
    expect(changed.body).toMatchObject({ sprayed: [], version: 2 });
    const late = await server.call('PUT', url, { ...record, days: [], version: 1 });
    expect([late.status, late.body['current']]).toEqual([409, changed.body]);
    const wrong = await server.call('PUT', url, { ...record, days: [{ day: 'today' }], version: 2 });
    expect([wrong.status, wrong.body.errors?.[0]?.field]).toEqual([422, 'days.0.day']);
    await drop(`/api/people/${id}`);
    expect((await server.call('GET', url)).status).toBe(404);
  });
});

describe('a batch of writes', () => {
  const post = (writes: unknown[]) => server.call('POST', '/api/batch', { writes });
  const copyOfJob = async () => ({ ...content(await boathouse()), name: 'By batch', version: 0 });

  it('stores all of them in their order, and again when it is repeated', async () => {
    const [jobId, surfaceId] = [randomUUID(), randomUUID()];
    const wall = { ...content({ ...(await firstWall()) }), jobId, version: 0 };
    const writes = [
      { resource: 'jobs', id: jobId, content: await copyOfJob() },
      { resource: 'surfaces', id: surfaceId, content: wall },
    ];
    const [first, second] = [await post(writes), await post(writes)];
    expect(first.status).toBe(200);
    const versions = ({ body }: typeof first) =>
      (body['rows'] as { version: number }[]).map(({ version }) => version);
    expect([versions(first), versions(second)]).toEqual([
      [1, 1],
      [1, 1],
    ]);
    const removed = await post([
      { resource: 'surfaces', id: surfaceId, content: null, version: 1 },
      { resource: 'jobs', id: jobId, content: null, version: 1 },
    ]);
    expect(removed.body['rows']).toEqual([null, null]);
    expect((await server.call('GET', `/api/jobs/${jobId}`)).status).toBe(404);
  });

  it('deletes no version but the one it names', async () => {
    const jobId = randomUUID();
    await post([{ resource: 'jobs', id: jobId, content: await copyOfJob() }]);
    const answer = await post([{ resource: 'jobs', id: jobId, content: null, version: 7 }]);
    expect([answer.status, answer.body['current']]).toEqual([
      409,
      expect.objectContaining({ id: jobId, version: 1, name: 'By batch' }),
    ]);
    const without = await post([{ resource: 'jobs', id: jobId, content: null }]);
    expect([without.status, without.body.errors?.[0]?.field]).toEqual([422, 'writes.0.version']);
    await drop(`/api/jobs/${jobId}`);
  });

  it('stores none of them when one fails, and names its place', async () => {
    const jobId = randomUUID();
    const wall = { ...content({ ...(await firstWall()) }), jobId, version: 0 };
    const answer = await post([
      { resource: 'jobs', id: jobId, content: await copyOfJob() },
      { resource: 'surfaces', id: randomUUID(), content: { ...wall, coatingId: randomUUID() } },
    ]);
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]?.field).toBe('writes.1.content.coatingId');
    expect((await server.call('GET', `/api/jobs/${jobId}`)).status).toBe(404);
  });

  it('checks each body by its schema, and the number of them', async () => {
    const wall = { ...content({ ...(await firstWall()) }), coats: 0, version: 0 };
    const answer = await post([{ resource: 'surfaces', id: randomUUID(), content: wall }]);
    expect(answer.body.errors?.[0]?.field).toBe('writes.0.content.coats');
    expect((await post([{ resource: 'planets', id: randomUUID(), content: null, version: 1 }])).status).toBe(
      422,
    );
    const many = Array.from({ length: BATCH_LIMIT + 1 }, () => ({
      resource: 'tips',
      id: randomUUID(),
      content: null,
      version: 1,
    }));
    expect((await post(many)).body.errors?.[0]?.message).toMatch(/writes at once at most/);
  });
});

describe('a coating', () => {
  const change = async (overrides: Record<string, unknown>) => {
    const [row] = await items('/api/coatings');
    return server.call('PUT', `/api/coatings/${randomUUID()}`, {
      ...content(row ?? {}),
      overrides,
      version: 0,
    });
  };
  const sheet = { basis: 'data-sheet', source: 'Sheet' };

  it.each([
    [{ volumeSolids: { ...sheet, value: null } }, 'overrides.volumeSolids.value'],
    [{ volumeSolids: { ...sheet } }, 'overrides.volumeSolids.value'],
    [{ volumeSolids: { ...sheet, value: 4.2 } }, 'overrides.volumeSolids.value'],
    [{ density: { value: 1300, basis: 'data-sheet' } }, 'overrides.density.source'],
    [{ viscosityHighShear: { ...sheet, value: 3 } }, 'overrides.viscosityHighShear.value'],
    [{ colour: { ...sheet, value: 1 } }, 'overrides'],
  ])('with %j is refused at %s', async (overrides, field) => {
    const answer = await change(overrides);
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.map((error) => error.field)).toContain(field);
  });

  it('takes one value of a data sheet and leaves the others to the defaults', async () => {
    const answer = await change({ volumeSolids: { ...sheet, value: 0.4 } });
    expect(answer.body['overrides']).toEqual({ volumeSolids: { ...sheet, value: 0.4 } });
    await drop(`/api/coatings/${String(answer.body['id'])}`);
  });
});

describe('references of a job', () => {
  it('are checked: an unknown hose is named by its place', async () => {
    const job = content(await boathouse());
    const answer = await server.call('PUT', `/api/jobs/${randomUUID()}`, {
      ...job,
      hoseIds: [randomUUID()],
      version: 0,
    });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]?.field).toBe('hoseIds.0');
  });

  it('keep a hose that a job uses', async () => {
    const { hoseIds } = (await boathouse()) as { hoseIds?: string[] };
    expect((await drop(`/api/hoses/${String(hoseIds?.[0])}`)).status).toBe(409);
  });

  it('do not reach into another company', async () => {
    const other = randomUUID();
    await server.db('company').insert({ id: other, name: 'Other', version: 1, created_at: '2031-01-01' });
    const hidden = randomUUID();
    await server
      .db('tip')
      .insert({ id: hidden, company_id: other, version: 1, family: 'standard', code: '515', note: '' });
    expect((await server.call('GET', `/api/tips/${hidden}`)).status).toBe(404);
    expect(
      (
        await server.call('PUT', `/api/tips/${hidden}`, {
          family: 'standard',
          code: '517',
          litresBefore: 0,
          price: null,
          note: '',
          version: 1,
        })
      ).status,
    ).toBe(404);
    await server.call('DELETE', `/api/tips/${hidden}?version=1`);
    expect(await server.db('tip').where({ id: hidden }).first()).toMatchObject({ code: '515' });
    await server.db('company').where({ id: other }).delete();
  });
});

describe('two people at once', () => {
  it('one of two simultaneous changes wins, the other is told', async () => {
    const id = randomUUID();
    const body = { family: 'standard', code: '515', litresBefore: 0, price: null, note: '' };
    await server.call('PUT', `/api/tips/${id}`, { ...body, version: 0 });
    const both = await Promise.all(
      ['a', 'b'].map((note) => server.call('PUT', `/api/tips/${id}`, { ...body, note, version: 1 })),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  });

  it('a create sent eight times at once makes one row, time after time', async () => {
    const body = { family: 'standard', code: '517', litresBefore: 0, price: null, note: 'again', version: 0 };
    for (let round = 0; round < 25; round += 1) {
      const id = randomUUID();
      const all = await Promise.all(
        Array.from({ length: 8 }, () => server.call('PUT', `/api/tips/${id}`, body)),
      );
      expect(all.map(({ status, body: row }) => [status, row['version']])).toEqual(Array(8).fill([200, 1]));
    }
  });
});

describe('the company', () => {
  it('is renamed with its version', async () => {
    const { body } = await server.call('GET', '/api/company');
    const renamed = await server.call('PUT', '/api/company', {
      name: 'Millrace & Daughters',
      book: body['book'],
      version: body['version'],
    });
    expect(renamed.body['name']).toBe('Millrace & Daughters');
    expect((await server.call('PUT', '/api/company', { name: 'X', book: null, version: 99 })).status).toBe(
      409,
    );
    await server.call('PUT', '/api/company', {
      name: 'Millrace Decorating',
      book: body['book'],
      version: renamed.body['version'],
    });
  });

  it.each([
    [{ hour: -5 }, 'book.hour', /between 0.01 and 100,000/],
    [{ currency: 'euro' }, 'book.currency', /three capital letters/],
    [{ people: 0 }, 'book.people', /1 to 20 people/],
    [
      { rates: { ...USUAL_BOOK.rates, doors: 0 } },
      'book.rates.doors',
      /^Doors off.* must be between 0\.1 and 1,000\.$/,
    ],
    [{ prices: { ...USUAL_BOOK.prices, tip: 1e9 } }, 'book.prices.tip', /Leave it empty/],
  ])('does not calculate with %j', async (extra, field, sentence) => {
    const { body } = await server.call('GET', '/api/company');
    const answer = await server.call('PUT', '/api/company', {
      name: 'X',
      book: { ...USUAL_BOOK, ...extra },
      version: body['version'],
    });
    expect(answer.status).toBe(422);
    expect(answer.body.errors?.[0]).toMatchObject({
      field,
      message: expect.stringMatching(sentence) as string,
    });
  });
});
