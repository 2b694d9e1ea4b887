import type { Knex } from 'knex';
import { owned } from './owned';

const SEEN = "current_setting('fine_spray.company', true)";

/** The plan of the days of a job: how it is asked for, where people put tasks, and what was found and taken. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('schedule', (table) => {
    owned(knex, table, 'of the company');
    table.uuid('job_id').notNullable();
    table
      .foreign(['company_id', 'job_id'])
      .references(['company_id', 'id'])
      .inTable('job')
      .onDelete('CASCADE');
    for (const name of ['first', 'school']) table.text(name).notNullable();
    for (const name of ['sprayers', 'seed']) table.integer(name).notNullable();
    for (const name of [
      'crew',
      'hours',
      'breaks',
      'workdays',
      'closed',
      'drying',
      'outside',
      'pins',
      'wishes',
    ])
      table.jsonb(name).notNullable();
    table.jsonb('result');
    table.specificType('changed', 'xid8').notNullable().defaultTo(knex.raw('pg_current_xact_id()'));
    table.unique(['company_id', 'job_id']);
    table.index(['company_id', 'changed', 'id']);
  });
  await knex.raw(`create trigger leave_tombstone after delete on schedule for each row
    execute function leave_tombstone('schedules')`);
  await knex.raw(
    'create trigger note_change before update on schedule for each row execute function note_change()',
  );
  await knex.raw('alter table schedule enable row level security');
  await knex.raw('alter table schedule force row level security');
  await knex.raw(
    `create policy of_its_company on schedule using (${SEEN} in (company_id::text, '*'))
    with check (${SEEN} in (company_id::text, '*'))`,
  );
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('schedule');
}
