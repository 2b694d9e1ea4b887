import type { Knex } from 'knex';

/**
 * How far it is between the doors of a job's rooms: where the machine stands follows from it. Which wall of its room a surface is, where
 * each is one by itself. And since when a company answers where nobody signs in: of several the one that was chosen last.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job', (table) => {
    table.jsonb('ways').notNullable().defaultTo('[]');
  });
  await knex.schema.alterTable('company', (table) => {
    table.timestamp('answers_since');
  });
  await knex.schema.alterTable('surface', (table) => {
    table.text('part').notNullable().defaultTo('');
  });
  await knex.raw('alter table surface drop constraint surface_company_id_place_id_element_key');
  await knex.raw('alter table surface add unique (company_id, place_id, element, part)');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table surface drop constraint surface_company_id_place_id_element_part_key');
  // Of several walls of one room the first stays with it; the others are measured by themselves.
  await knex.raw(`update surface a set place_id = null from surface b
    where a.company_id = b.company_id and a.place_id = b.place_id and a.element = b.element and a.part > b.part`);
  await knex.raw('alter table surface add unique (company_id, place_id, element)');
  await knex.schema.alterTable('surface', (table) => table.dropColumn('part'));
  await knex.schema.alterTable('company', (table) => table.dropColumn('answers_since'));
  await knex.schema.alterTable('job', (table) => table.dropColumn('ways'));
}
