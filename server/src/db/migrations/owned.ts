import type { Knex } from 'knex';

/** Columns every company-owned table has; (company_id, id) is unique so that references cannot cross companies. */
export function owned(knex: Knex, table: Knex.CreateTableBuilder): void {
  table.uuid('id').primary();
  table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
  table.integer('version').notNullable();
  table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
  table.timestamp('updated_at').notNullable().defaultTo(knex.fn.now());
  table.unique(['company_id', 'id']);
}
