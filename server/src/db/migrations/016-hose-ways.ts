import type { Knex } from 'knex';

/** How far it is between the doors of a job's rooms: where the machine stands follows from it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job', (table) => {
    table.jsonb('ways').notNullable().defaultTo('[]');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job', (table) => table.dropColumn('ways'));
}
