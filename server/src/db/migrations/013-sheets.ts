import type { Knex } from 'knex';

/** What a maker's sheet says beside single values; and whether a building stands empty. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => {
    table.jsonb('sheet').notNullable().defaultTo('{}');
  });
  await knex.schema.alterTable('job', (table) => {
    table.boolean('empty').notNullable().defaultTo(false);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => table.dropColumn('sheet'));
  await knex.schema.alterTable('job', (table) => table.dropColumn('empty'));
}
