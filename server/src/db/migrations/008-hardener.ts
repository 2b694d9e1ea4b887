import type { Knex } from 'knex';

/** Whether a coating has a second part, and whether that is isocyanate. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => {
    table.text('hardener').notNullable().defaultTo('unknown');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => table.dropColumn('hardener'));
}
