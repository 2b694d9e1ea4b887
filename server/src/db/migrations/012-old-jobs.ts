import type { Knex } from 'knex';

const SEEN = "current_setting('fine_spray.company', true)";

/**
 * What old jobs leave is worked out once and kept: it can always be worked out again from the log. The log is read by job, and asked
 * what was replaced; nobody asks it by the clocks of devices.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('old_job', (table) => {
    table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
    table.uuid('job_id').notNullable();
    // Of which entries it was made: others since, and it is made again.
    table.integer('entries').notNullable();
    table.timestamp('last').notNullable();
    table.integer('digest_version').notNullable();
    table.jsonb('content').notNullable();
    table.primary(['company_id', 'job_id']);
  });
  await knex.raw('alter table old_job enable row level security');
  await knex.raw('alter table old_job force row level security');
  await knex.raw(
    `create policy of_its_company on old_job using (${SEEN} in (company_id::text, '*'))
    with check (${SEEN} in (company_id::text, '*'))`,
  );
  await knex.schema.alterTable('entry', (table) => {
    table.dropIndex(['company_id', 'at']);
    table.index(['company_id', 'job_id', 'changed', 'id']);
  });
  await knex.raw('create index on entry (company_id, replaces) where replaces is not null');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop index entry_company_id_replaces_idx');
  await knex.schema.alterTable('entry', (table) => {
    table.dropIndex(['company_id', 'job_id', 'changed', 'id']);
    table.index(['company_id', 'at']);
  });
  await knex.schema.dropTable('old_job');
}
