import type { Knex } from 'knex';
import { changing, followed, owned } from './owned';

/** What people have learned in practice: a row for each, under the id of the person. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('practice', (table) => {
    owned(knex, table, 'of the company');
    table
      .foreign(['company_id', 'id'])
      .references(['company_id', 'id'])
      .inTable('person')
      .onDelete('CASCADE');
    for (const name of ['items', 'days', 'sprayed', 'taken']) table.jsonb(name).notNullable();
    changing(knex, table);
  });
  await followed(knex, 'practice', 'practices');
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('practice');
}
