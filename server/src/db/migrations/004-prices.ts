import type { Knex } from 'knex';

/** Containers with their prices, and the rates and prices of the company. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => {
    table.jsonb('containers').notNullable().defaultTo('[]');
  });
  await knex.raw(`update coating set containers = coalesce(
    (select jsonb_agg(jsonb_build_object('size', size, 'price', null)) from jsonb_array_elements(container_sizes) as size), '[]')`);
  await knex.schema.alterTable('coating', (table) => table.dropColumn('container_sizes'));
  await knex.schema.alterTable('company', (table) => {
    table.jsonb('book');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('company', (table) => table.dropColumn('book'));
  await knex.schema.alterTable('coating', (table) => {
    table.jsonb('container_sizes').notNullable().defaultTo('[]');
  });
  await knex.raw(`update coating set container_sizes = coalesce(
    (select jsonb_agg(one->'size') from jsonb_array_elements(containers) as one), '[]')`);
  await knex.schema.alterTable('coating', (table) => table.dropColumn('containers'));
}
