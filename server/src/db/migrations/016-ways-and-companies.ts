import type { Knex } from 'knex';

/**
 * How far it is between the doors of a job's rooms: where the machine stands follows from it. And since when a company answers where nobody
 * signs in: of several the one that was chosen last.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job', (table) => {
    table.jsonb('ways').notNullable().defaultTo('[]');
  });
  await knex.schema.alterTable('company', (table) => {
    table.timestamp('answers_since');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('company', (table) => table.dropColumn('answers_since'));
  await knex.schema.alterTable('job', (table) => table.dropColumn('ways'));
}
