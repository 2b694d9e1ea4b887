import type { Knex } from 'knex';

/** Rows of a company that say which transaction changed them last. */
const TOLD = [
  ...['person', 'coating', 'sprayer', 'hose', 'tip', 'gear', 'system', 'job', 'place', 'surface'],
  ...['entry', 'tombstone'],
];

/** Tables made since, which say it from the first. */
const TOLD_SINCE = ['offer', 'schedule'];

/** Tables that are read only for a company that is known. */
const APART = TOLD.filter((table) => table !== 'person');
/** Tables that are asked who somebody is, too, and which company they are of. */
const AT_THE_DOOR = { company: 'id', person: 'company_id', device: 'company_id' } as const;
const DOOR_TOO = ['device_person', 'credential', 'sign_in_code'];

/**
 * What changed can be told from any moment on: a row says which transaction changed it last, so that what is not in a snapshot
 * is found however late it was committed. And companies are kept apart by the database itself: a row is there only for whoever
 * says its company (`fine_spray.company`), for the door where people sign in (`door`), or for who looks after the data (`*`).
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`create function note_change() returns trigger language plpgsql as $$ begin
    new.changed := pg_current_xact_id();
    return new;
  end $$`);
  for (const table of [...TOLD, 'company']) {
    await knex.raw('alter table ?? add column changed xid8 not null default pg_current_xact_id()', [table]);
    await knex.raw(
      'create trigger note_change before update on ?? for each row execute function note_change()',
      [table],
    );
  }
  for (const table of TOLD) await knex.raw('create index on ?? (company_id, changed, id)', [table]);

  const seen = "current_setting('fine_spray.company', true)";
  const keep = async (table: string, who: string) => {
    await knex.raw('alter table ?? enable row level security', [table]);
    // The program owns its tables: it is held to the rule as well.
    await knex.raw('alter table ?? force row level security', [table]);
    await knex.raw(
      `create policy of_its_company on ?? using (${seen} in (${who})) with check (${seen} in (${who}))`,
      [table],
    );
  };
  for (const table of APART) await keep(table, "company_id::text, '*'");
  for (const [table, column] of Object.entries(AT_THE_DOOR))
    await keep(table, `${column}::text, 'door', '*'`);
  for (const table of DOOR_TOO) await keep(table, "company_id::text, 'door', '*'");
}

export async function down(knex: Knex): Promise<void> {
  for (const table of [...APART, ...Object.keys(AT_THE_DOOR), ...DOOR_TOO]) {
    await knex.raw('drop policy of_its_company on ??', [table]);
    await knex.raw('alter table ?? no force row level security', [table]);
    await knex.raw('alter table ?? disable row level security', [table]);
  }
  for (const table of [...TOLD, 'company']) {
    await knex.raw('drop trigger note_change on ??', [table]);
    await knex.raw('alter table ?? drop column changed', [table]);
  }
  await knex.raw('drop function note_change()');
}

/**
 * Rows restored from a database that was further on than this one would be told as changed again and again: they are changed
 * now. Devices begin anew there anyway.
 */
export async function putRight(knex: Knex): Promise<void> {
  const further = 'changed > pg_snapshot_xmax(pg_current_snapshot())';
  await knex.raw(`update company set changed = pg_current_xact_id() where ${further}`);
  // By company, so that the index is asked and no table gone through at each start.
  for (const table of [...TOLD, ...TOLD_SINCE])
    await knex.raw(
      `update ?? as one set changed = pg_current_xact_id() from company
      where one.company_id = company.id and one.${further}`,
      [table],
    );
}
