import type { Knex } from 'knex';

/**
 * Columns every company-owned table has; (company_id, id) is unique so that references cannot cross companies. Tables made
 * before ids were a company's own (009) have an id that is a key by itself, to begin with.
 */
export function owned(
  knex: Knex,
  table: Knex.CreateTableBuilder,
  key: 'by itself' | 'of the company' = 'by itself',
): void {
  const id = table.uuid('id').notNullable();
  if (key === 'by itself') id.primary();
  table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
  table.integer('version').notNullable();
  table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
  table.timestamp('updated_at').notNullable().defaultTo(knex.fn.now());
  if (key === 'by itself') table.unique(['company_id', 'id']);
  else table.primary(['company_id', 'id']);
}

/** The column that says which transaction changed a row last, for whoever follows what changes; of tables made after 011. */
export function changing(knex: Knex, table: Knex.CreateTableBuilder): void {
  table.specificType('changed', 'xid8').notNullable().defaultTo(knex.raw('pg_current_xact_id()'));
  table.index(['company_id', 'changed', 'id']);
}

const SEEN = "current_setting('fine_spray.company', true)";

/** Rows of a table made after 011 leave tombstones, note their changes, and are seen by their company alone. */
export async function followed(knex: Knex, table: string, resource: string): Promise<void> {
  await knex.raw(`create trigger leave_tombstone after delete on ${table} for each row
    execute function leave_tombstone('${resource}')`);
  await knex.raw(
    `create trigger note_change before update on ${table} for each row execute function note_change()`,
  );
  await seenByItsCompany(knex, table);
}

/** Rows of a table are seen, and written, by their company alone. */
export const seenByItsCompany = (knex: Knex, table: string): Promise<void> =>
  seenAs(knex, table, "company_id::text, '*'");

/** Rows of a table are seen, and written, by those whose company, or name of what they do, is in a list. */
export async function seenAs(knex: Knex, table: string, who: string): Promise<void> {
  await knex.raw(`alter table ${table} enable row level security`);
  await knex.raw(`alter table ${table} force row level security`);
  await knex.raw(
    `create policy of_its_company on ${table} using (${SEEN} in (${who})) with check (${SEEN} in (${who}))`,
  );
}
