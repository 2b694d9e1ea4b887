import type { Knex } from 'knex';
import { seenByItsCompany } from './owned';

/** What tells the pressure of a sprayer, with the marks of its knob; and pictures that go with entries of the log. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sprayer', (table) => {
    table.text('readout').notNullable().defaultTo('knob');
    table.jsonb('knob_marks').notNullable().defaultTo('[]');
  });
  await knex.schema.createTable('picture', (table) => {
    table.uuid('id').notNullable();
    table.uuid('company_id').notNullable().references('id').inTable('company').onDelete('CASCADE');
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.binary('content').notNullable();
    table.primary(['company_id', 'id']);
  });
  await seenByItsCompany(knex, 'picture');
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('picture');
  await knex.schema.alterTable('sprayer', (table) => {
    table.dropColumn('readout');
    table.dropColumn('knob_marks');
  });
}
