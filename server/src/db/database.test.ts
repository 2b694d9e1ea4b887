import { randomUUID } from 'node:crypto';
import { NotForUs, migrate, openDatabase, type Database } from './database';

let admin: Database;
let db: Database;
let url: string;
beforeEach(async () => {
  const base = new URL(process.env['TEST_DATABASE_URL'] ?? '');
  admin = openDatabase(base.href);
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await admin.raw(`create database ${name}`);
  base.pathname = `/${name}`;
  url = base.href;
  db = openDatabase(url);
});
afterEach(async () => {
  await db.destroy();
  await admin.raw(`drop database ${new URL(url).pathname.slice(1)} with (force)`);
  await admin.destroy();
});

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
