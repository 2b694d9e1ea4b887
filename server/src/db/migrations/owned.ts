import type { Knex } from 'knex';

/**
 * Columns every company-owned table has; (company_id, id) is unique so that references cannot cross companies. Tables made
 * before ids were a company's own (009) have an id that is a key by itself, to begin with.
 */
export function owned(
  knex: Knex,
  table: Knex.CreateTableBuilder,
  key: 'by itself' | 'of the company' = 'by itself',
): void {
  const id = table.uuid('id').notNullable();
  if (key === 'by itself') id.primary();
  table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
  table.integer('version').notNullable();
  table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
  table.timestamp('updated_at').notNullable().defaultTo(knex.fn.now());
  if (key === 'by itself') table.unique(['company_id', 'id']);
  else table.primary(['company_id', 'id']);
}
