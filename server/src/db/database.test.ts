import { MIGRATIONS, NotForUs, migrate, openDatabase, type Database } from './database';
import { eachSizeOnce } from './migrations/014-offers';
import { emptyDatabase, startTestServer } from '../testing/server';

let db: Database;
let url: string;
let drop: () => Promise<void>;
beforeEach(async () => {
  ({ url, drop } = await emptyDatabase());
  db = openDatabase(url);
});
afterEach(async () => {
  await db.destroy();
  await drop();
});

/** The database as it was before the newest migration. */
async function takeBackLast(): Promise<void> {
  const last = await db('schema_migration').orderBy('id', 'desc').first<{ name: string }>('name');
  await MIGRATIONS[last.name]?.down?.(db);
  await db('schema_migration').where({ name: last.name }).delete();
}

describe('bringing a database up to date', () => {
  it('is done once by several that begin at the same time', async () => {
    await Promise.all([migrate(url), migrate(url), migrate(url)]);
    expect(await db('company').select()).toEqual([]);
    const names = (await db('schema_migration').select<{ name: string }[]>('name')).map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });

  it('goes on after one that was cut off', async () => {
    await migrate(url);
    await db('schema_migration_lock').update({ isLocked: 1 });
    await migrate(url);
    expect(await db('schema_migration_lock').first()).toMatchObject({ isLocked: 0 });
  });

  it('is told before what is there is changed, and changes nothing where that fails', async () => {
    const before = jest.fn(() => Promise.resolve());
    await migrate(url, before);
    expect(before).not.toHaveBeenCalled();
    await migrate(url, before);
    expect(before).not.toHaveBeenCalled();
    await takeBackLast();
    const names = () => db('schema_migration').count();
    const earlier = await names();
    await expect(migrate(url, () => Promise.reject(new Error('no room for a backup')))).rejects.toThrow(
      'no room',
    );
    expect(await names()).toEqual(earlier);
    await migrate(url, before);
    expect(before).toHaveBeenCalledTimes(1);
    expect(await names()).not.toEqual(earlier);
  });

  it('leaves the data of a newer program alone and says so', async () => {
    await migrate(url);
    await db('schema_migration').insert({ name: '999-holograms', batch: 9 });
    const refused = migrate(url);
    await expect(refused).rejects.toBeInstanceOf(NotForUs);
    await expect(refused).rejects.toThrow(/newer Fine Spray .*"999-holograms".*nothing was changed/);
  });
});

describe('containers of one size', () => {
  it('are one from then on, the one that has a price', async () => {
    const server = await startTestServer();
    try {
      const [row] = (await server.call('GET', '/api/coatings')).body.items ?? [];
      const id = String(row?.['id']);
      const of = async () => (await server.call('GET', `/api/coatings/${id}`)).body['containers'];
      const twice = [
        { size: 0.01, price: null },
        { size: 0.005, price: 40 },
        { size: 0.0100000001, price: 70 },
      ];
      const { version, name, archetype, overrides, sheet, hardener, note } = row ?? {};
      const put = { name, archetype, overrides, sheet, hardener, note, containers: twice, version };
      const refused = await server.call('PUT', `/api/coatings/${id}`, put);
      expect([refused.status, refused.body.errors?.map(({ field, message }) => [field, message])]).toEqual([
        422,
        [['containers.2.size', 'This size is in the list already: each has one price.']],
      ]);
      const others = await server.db('coating').whereNot({ id }).select('id', 'containers');
      await server
        .db('coating')
        .where({ id })
        .update({ containers: JSON.stringify(twice) });
      await eachSizeOnce(server.db);
      expect(await of()).toEqual(twice.slice(1));
      expect(await server.db('coating').whereNot({ id }).select('id', 'containers')).toEqual(others);
    } finally {
      await server.stop();
    }
  });
});

describe('a request', () => {
  it('is not kept waiting by a statement, a lock or a transaction that is left open', async () => {
    const { rows } = await db.raw<{ rows: { name: string; setting: string }[] }>(
      `select name, setting from pg_settings
       where name in ('statement_timeout', 'lock_timeout', 'idle_in_transaction_session_timeout') order by name`,
    );
    expect(rows.map(({ setting }) => Number(setting) > 0)).toEqual([true, true, true]);
  });
});
