import type { Knex } from 'knex';

/**
 * What a maker's sheet says beside single values; whether a building stands empty; how much there is to mend on a surface. The rate of
 * doors counts carrying and hardware now: a company that had the usual one of before has the usual one of now.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => {
    table.jsonb('sheet').notNullable().defaultTo('{}');
  });
  await knex.schema.alterTable('job', (table) => {
    table.boolean('empty').notNullable().defaultTo(false);
  });
  await knex.schema.alterTable('surface', (table) => {
    table.text('state');
  });
  await knex.raw("update company set book = book #- '{rates,doors}' where book #>> '{rates,doors}' = '12'");
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('coating', (table) => table.dropColumn('sheet'));
  await knex.schema.alterTable('job', (table) => table.dropColumn('empty'));
  await knex.schema.alterTable('surface', (table) => table.dropColumn('state'));
}
