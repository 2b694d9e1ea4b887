import type { Knex } from 'knex';
import { seenByItsCompany } from './owned';

/**
 * What tells the pressure of a sprayer, with the marks of its knob; pictures that go with entries of the log; and secret addresses of a job's calendars,
 * of which the hash is kept.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sprayer', (table) => {
    table.text('readout').notNullable().defaultTo('knob');
    table.jsonb('knob_marks').notNullable().defaultTo('[]');
  });
  await knex.schema.createTable('picture', (table) => {
    table.uuid('id').notNullable();
    table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.binary('content').notNullable();
    table.primary(['company_id', 'id']);
  });
  await seenByItsCompany(knex, 'picture');
  await knex.schema.createTable('calendar', (table) => {
    table.uuid('id').notNullable();
    table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
    table.uuid('job_id').notNullable();
    table.uuid('person_id');
    table.text('what').notNullable();
    table.text('zone').notNullable();
    table.text('hash').notNullable().unique();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.timestamp('used_at');
    table.primary(['company_id', 'id']);
    table
      .foreign(['company_id', 'job_id'])
      .references(['company_id', 'id'])
      .inTable('job')
      .onDelete('CASCADE');
    table
      .foreign(['company_id', 'person_id'])
      .references(['company_id', 'id'])
      .inTable('person')
      .onDelete('CASCADE');
  });
  // Whoever comes with an address says no company: the door finds out which one it is of.
  const seen = "current_setting('fine_spray.company', true) in (company_id::text, 'door', '*')";
  await knex.raw('alter table calendar enable row level security');
  await knex.raw('alter table calendar force row level security');
  await knex.raw(`create policy of_its_company on calendar using (${seen}) with check (${seen})`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('calendar');
  await knex.schema.dropTable('picture');
  await knex.schema.alterTable('sprayer', (table) => {
    table.dropColumn('readout');
    table.dropColumn('knob_marks');
  });
}
