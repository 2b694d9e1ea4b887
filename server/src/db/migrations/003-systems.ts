import type { Knex } from 'knex';
import { owned } from './owned';

/** Layers under the finish of a surface, and the coating systems a company keeps as its own. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('surface', (table) => {
    table.jsonb('under').notNullable().defaultTo('[]');
  });
  await knex.schema.createTable('system', (table) => {
    owned(knex, table);
    table.text('name').notNullable();
    table.jsonb('elements').notNullable();
    table.jsonb('sides').notNullable();
    table.jsonb('kinds').notNullable();
    table.jsonb('layers').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('system');
  await knex.schema.alterTable('surface', (table) => table.dropColumn('under'));
}
