import type { Knex } from 'knex';
import { seenAs } from './owned';

/** Secret addresses of a job's calendars, of which the hash is kept. */
export async function up(knex: Knex): Promise<void> {
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
  await seenAs(knex, 'calendar', "company_id::text, 'door', '*'");
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('calendar');
}
