import type { Knex } from 'knex';

/** Whether the paint that is there may hold lead. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job', (table) => {
    table.text('paint_age').notNullable().defaultTo('unknown');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job', (table) => table.dropColumn('paint_age'));
}
