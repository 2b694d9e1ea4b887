import { randomUUID } from 'node:crypto';
import { SURFACES_PER_JOB, manyEntriesAnswer, tombstone } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { repeated, writing } from '../db/writing';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

type Row = Record<string, unknown>;
const content = ({
  id: _id,
  createdAt: _made,
  updatedAt: _changed,
  surfaceCount: _count,
  personId: _by,
  ...rest
}: Row) => rest;
const items = async (url: string): Promise<Row[]> => (await server.call('GET', url)).body.items ?? [];
const first = async (url: string): Promise<Row> => {
  const [row] = await items(url);
  if (!row) throw new Error(`nothing at ${url}`);
  return row;
};
const put = (path: string, body: Row) => server.call('PUT', `/api/${path}`, body);
const tip = { family: 'standard', code: '515', litresBefore: 0, price: null, note: '' };

describe('several people at once', () => {
  it('batches that cross are all done, whatever their order', async () => {
    const ids = [randomUUID(), randomUUID(), randomUUID()];
    for (const id of ids) await put(`tips/${id}`, { ...tip, version: 0 });
    const versions = new Map(ids.map((id) => [id, 1]));
    for (let round = 0; round < 12; round += 1) {
      const orders = [ids, [...ids].reverse(), ids, [...ids].reverse()];
      const answers = await Promise.all(
        orders.map((order) =>
          server.call('POST', '/api/batch', {
            // The same content by everyone: whoever comes later finds it done.
            writes: order.map((id) => ({
              resource: 'tips',
              id,
              content: { ...tip, note: `round ${round}`, version: versions.get(id) },
            })),
          }),
        ),
      );
      expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
      ids.forEach((id) => versions.set(id, (versions.get(id) ?? 0) + 1));
    }
    expect((await server.call('GET', `/api/tips/${String(ids[0])}`)).body).toMatchObject({ version: 13 });
  });

  it('never leaves a job that names a hose deleted meanwhile', async () => {
    const job = content(await first('/api/jobs'));
    const hose = content(await first('/api/hoses'));
    const outcomes = new Set<string>();
    for (let round = 0; round < 25; round += 1) {
      const [hoseId, jobId] = [randomUUID(), randomUUID()];
      await put(`hoses/${hoseId}`, { ...hose, version: 0 });
      const [made, gone] = await Promise.all([
        put(`jobs/${jobId}`, { ...job, hoseIds: [hoseId], version: 0 }),
        server.call('DELETE', `/api/hoses/${hoseId}?version=1`),
      ]);
      outcomes.add(`${made.status} ${gone.status}`);
      if (made.status === 200) await server.call('DELETE', `/api/jobs/${jobId}?version=1`);
    }
    // One or the other, never both.
    expect([...outcomes].every((one) => one === '200 409' || one === '422 204')).toBe(true);
  });

  it('never puts more surfaces into a job than it holds', async () => {
    const jobId = randomUUID();
    await put(`jobs/${jobId}`, { ...content(await first('/api/jobs')), version: 0 });
    const sample = (await server.db('surface').first()) as Row;
    const room = 3;
    const rows = Array.from({ length: SURFACES_PER_JOB - room }, (_unused, position) => ({
      ...sample,
      geometry: JSON.stringify(sample['geometry']),
      under: JSON.stringify(sample['under']),
      placeId: null,
      id: randomUUID(),
      jobId,
      position,
    }));
    await server.db.batchInsert('surface', rows, 200);
    const wall = content(await first(`/api/jobs/${jobId}/surfaces`));
    const answers = await Promise.all(
      Array.from({ length: 12 }, () => put(`surfaces/${randomUUID()}`, { ...wall, version: 0 })),
    );
    expect(answers.filter(({ status }) => status === 200).length).toBe(room);
    expect((await items(`/api/jobs/${jobId}/surfaces`)).length).toBe(SURFACES_PER_JOB);
    await server.call('DELETE', `/api/jobs/${jobId}?version=1`);
  });

  it('one of two who measure the same piece of a room is told what the other has', async () => {
    const rows = (
      await Promise.all((await items('/api/jobs')).map(({ id }) => items(`/api/jobs/${String(id)}/surfaces`)))
    ).flat();
    const there = rows.find(({ placeId }) => placeId !== null);
    const answer = await put(`surfaces/${randomUUID()}`, { ...content(there ?? {}), version: 0 });
    expect([answer.status, answer.body['detail']]).toEqual([
      409,
      'This room or elevation has such a surface already.',
    ]);
    expect(answer.body['current']).toMatchObject({ id: there?.['id'] });
  });

  it('leaves what went with a job deleted too', async () => {
    const [jobId, surfaceId] = [randomUUID(), randomUUID()];
    const job = content(await first('/api/jobs'));
    const [wall] = await items(`/api/jobs/${String((await first('/api/jobs'))['id'])}/surfaces`);
    await put(`jobs/${jobId}`, { ...job, version: 0 });
    const surface = { ...content(wall ?? {}), placeId: null, jobId };
    await put(`surfaces/${surfaceId}`, { ...surface, version: 0 });
    await server.call('DELETE', `/api/jobs/${jobId}?version=1`);
    await put(`jobs/${jobId}`, { ...job, version: 2 });
    // The job is back; its surface comes back only where somebody says so.
    expect(await items(`/api/jobs/${jobId}/surfaces`)).toEqual([]);
    const late = await put(`surfaces/${surfaceId}`, { ...surface, version: 0 });
    expect([late.status, tombstone.parse(late.body['current']).version]).toEqual([409, 2]);
    expect((await put(`surfaces/${surfaceId}`, { ...surface, version: 2 })).status).toBe(200);
    await server.call('DELETE', `/api/jobs/${jobId}?version=3`);
  });
});

describe('a transaction', () => {
  const broken = (code: string) => Object.assign(new Error('ended'), { code });
  const failing = (db: Database, code: string, times: number) => {
    let tried = 0;
    return repeated(db, async (trx) => {
      tried += 1;
      await trx.raw('select 1');
      if (tried <= times) throw broken(code);
      return tried;
    });
  };

  it('that met another is done again, not for ever, and not for any other failure', async () => {
    expect(await failing(server.db, '40P01', 2)).toBe(3);
    await expect(failing(server.db, '40P01', 99)).rejects.toMatchObject({ code: '40P01' });
    await expect(failing(server.db, '22001', 1)).rejects.toMatchObject({ code: '22001' });
  });

  it('really meets another: two that lock crosswise are both done in the end', async () => {
    const ids = [randomUUID(), randomUUID()];
    for (const id of ids) await put(`tips/${id}`, { ...tip, version: 0 });
    let [arrived, tries] = [0, 0];
    const crosswise = (order: readonly string[]) =>
      repeated(server.db, async (trx) => {
        tries += 1;
        for (const id of order) {
          await trx('tip').where({ id }).forUpdate().first();
          // Both hold their first before either asks for its second.
          arrived += 1;
          while (arrived < 2) await new Promise((resolve) => setImmediate(resolve));
        }
      });
    await Promise.all([crosswise(ids), crosswise([...ids].reverse())]);
    expect(tries).toBeGreaterThan(2);
  });

  it('of the plans of one company waits for another of the same', async () => {
    const { id: companyId } = (await server.call('GET', '/api/company')).body;
    const said: string[] = [];
    let begun: () => void = () => undefined;
    const began = new Promise<void>((resolve) => (begun = resolve));
    const one = writing(server.db, String(companyId), async (trx) => {
      begun();
      await trx.raw('select pg_sleep(0.1)');
      said.push('first');
    });
    await began;
    await writing(server.db, String(companyId), () => Promise.resolve(said.push('second')));
    await one;
    expect(said).toEqual(['first', 'second']);
  });
});

describe('entries sent together', () => {
  const post = (entries: readonly unknown[]) => server.call('POST', '/api/entries', { entries });
  const sample = async () => {
    const { clockSkew: _skew, version: _version, ...rest } = content(await first('/api/entries'));
    return rest;
  };

  it('are each answered for itself, in their order; repeating it changes nothing', async () => {
    const good = await sample();
    const [a, b, c, taken] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
    await put(`entries/${taken}`, { ...good, version: 0 });
    const entries = [
      { id: a, ...good },
      { id: b, ...good, kind: 'juggling' },
      { id: taken, ...good, at: '2026-01-01T00:00:00Z' },
      { id: c, ...good },
      { id: a.toUpperCase(), ...good },
    ];
    const answers = [await post(entries), await post(entries)].map(({ body }) =>
      manyEntriesAnswer.parse(body),
    );
    for (const { results } of answers) {
      expect(results.map((one) => ('row' in one ? one.row.version : one.problem.status))).toEqual([
        1, 422, 409, 1, 1,
      ]);
      const [, wrong, other] = results;
      expect(wrong && 'problem' in wrong && wrong.problem.errors[0]?.field).toBe('kind');
      expect(other && 'problem' in other && other.problem.current).toMatchObject({ id: taken });
    }
    expect((await server.call('GET', `/api/entries/${c}`)).status).toBe(200);
    expect((await server.call('GET', `/api/entries/${b}`)).status).toBe(404);
  });

  it('carry how wrong the clock of the device is', async () => {
    const response = await fetch(`${server.address}/api/entries`, {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        'Device-Time': new Date(Date.now() - 3_600_000).toISOString(),
      },
      body: JSON.stringify({
        entries: [
          { id: randomUUID(), ...(await sample()) },
          // A correction goes by the clock of what it corrects.
          { id: randomUUID(), ...(await sample()), clockSkew: -86_400 },
          { id: randomUUID(), ...(await sample()), clockSkew: null },
        ],
      }),
    });
    const { results } = manyEntriesAnswer.parse(await response.json());
    const skews = results.map((one) => 'row' in one && one.row.clockSkew);
    expect([Math.round(Number(skews[0]) / 60), ...skews.slice(1)]).toEqual([60, -86_400, null]);
  });

  it('are two hundred at most, and a list', async () => {
    const many = Array.from({ length: 201 }, () => ({ id: randomUUID() }));
    expect((await post(many)).body['detail']).toBe('200 entries at once at most.');
    expect((await server.call('POST', '/api/entries', {})).status).toBe(422);
  });
});

describe('entries that come one by one, many at once', () => {
  it('are each answered for itself when it is stored, whatever becomes of those beside it', async () => {
    const { clockSkew: _skew, ...good } = content(await first('/api/entries'));
    const taken = randomUUID();
    await put(`entries/${taken}`, { ...good, version: 0 });
    // One the database fails at, whoever it is stored with.
    await server.db.raw(`create function fail_at_poison() returns trigger language plpgsql as $$ begin
      if new.author = 'poison' then raise exception 'poison'; end if;
      return new;
    end $$`);
    await server.db.raw(
      'create trigger fail_at_poison before insert on entry for each row execute function fail_at_poison()',
    );
    const ids = Array.from({ length: 60 }, () => randomUUID());
    const sent = ids.map((id, index) => ({
      id: index === 20 ? taken : index === 41 ? (ids[40] ?? id) : id,
      body: {
        ...good,
        ...(index === 10 ? { author: 'poison' } : {}),
        ...(index === 20 ? { at: '2026-01-01T00:00:00.000Z' } : {}),
        ...(index === 30 ? { kind: 'juggling' } : {}),
        version: 0,
      },
    }));
    const expected = sent.map((_one, index) => ({ 10: 500, 20: 409, 30: 422 })[index] ?? 200);
    const answers = await Promise.all(sent.map(({ id, body }) => put(`entries/${id}`, body)));
    expect(answers.map(({ status }) => status)).toEqual(expected);
    for (const [index, { status, body }] of answers.entries())
      if (status === 200) expect(body['id']).toBe(sent[index]?.id);
    const there = await server
      .db('entry')
      .whereIn(
        'id',
        sent.map(({ id }) => id),
      )
      .count<{ count: string }[]>('* as count');
    // Two of them are one, one was there, and two were not taken.
    expect(Number(there[0]?.count)).toBe(60 - 1 - 2);
    await server.db.raw('drop trigger fail_at_poison on entry');
  });
});
