import type { Knex } from 'knex';
import { owned } from './owned';

/** Places that were measured; a surface that follows from one goes with it, one for each kind of piece. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('place', (table) => {
    owned(knex, table);
    table.uuid('job_id').notNullable();
    table.text('name').notNullable();
    table.integer('position').notNullable();
    table.jsonb('measure').notNullable();
    table
      .foreign(['company_id', 'job_id'])
      .references(['company_id', 'id'])
      .inTable('job')
      .onDelete('CASCADE');
    table.index(['company_id', 'job_id', 'position']);
  });
  await knex.schema.alterTable('surface', (table) => {
    table.uuid('place_id');
    table
      .foreign(['company_id', 'place_id'])
      .references(['company_id', 'id'])
      .inTable('place')
      .onDelete('CASCADE');
    table.unique(['place_id', 'element']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('surface', (table) => table.dropColumn('place_id'));
  await knex.schema.dropTable('place');
}
