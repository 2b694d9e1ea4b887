import type { Knex } from 'knex';

/** Forms of entry payloads, and how wrong the clock of the device was that sent one. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entry', (table) => {
    table.integer('schema').notNullable().defaultTo(1);
    table.double('clock_skew');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entry', (table) => table.dropColumns('schema', 'clock_skew'));
}
