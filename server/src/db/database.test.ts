import { MIGRATIONS, NotForUs, migrate, openDatabase, type Database } from './database';
import { emptyDatabase } from '../testing/server';

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

describe('a request', () => {
  it('is not kept waiting by a statement, a lock or a transaction that is left open', async () => {
    const { rows } = await db.raw<{ rows: { name: string; setting: string }[] }>(
      `select name, setting from pg_settings
       where name in ('statement_timeout', 'lock_timeout', 'idle_in_transaction_session_timeout') order by name`,
    );
    expect(rows.map(({ setting }) => Number(setting) > 0)).toEqual([true, true, true]);
  });
});
