import type { Knex } from 'knex';
import { owned } from './owned';

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('company', (table) => {
    table.uuid('id').primary();
    table.text('name').notNullable();
    table.integer('version').notNullable();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.timestamp('updated_at').notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable('coating', (table) => {
    owned(knex, table);
    table.text('name').notNullable();
    table.text('archetype').notNullable();
    table.jsonb('overrides').notNullable();
    table.jsonb('container_sizes').notNullable();
    table.text('note').notNullable();
  });
  await knex.schema.createTable('sprayer', (table) => {
    owned(knex, table);
    table.text('name').notNullable();
    table.text('sprayer_class').notNullable();
    table.double('max_pressure').notNullable();
    table.double('max_flow').notNullable();
    table.integer('largest_orifice_thou').notNullable();
    table.boolean('water_only').notNullable();
  });
  await knex.schema.createTable('hose', (table) => {
    owned(knex, table);
    table.text('name').notNullable();
    table.double('length').notNullable();
    table.double('bore').notNullable();
  });
  await knex.schema.createTable('tip', (table) => {
    owned(knex, table);
    table.text('family').notNullable();
    table.text('code').notNullable();
    table.text('note').notNullable();
  });
  await knex.schema.createTable('job', (table) => {
    owned(knex, table);
    table.text('name').notNullable();
    table.text('place').notNullable();
    table.text('note').notNullable();
    table.text('status').notNullable();
    table.uuid('sprayer_id').notNullable();
    table.jsonb('hose_ids').notNullable();
    table.double('lift').notNullable();
    table.foreign(['company_id', 'sprayer_id']).references(['company_id', 'id']).inTable('sprayer');
  });
  await knex.schema.createTable('surface', (table) => {
    owned(knex, table);
    table.uuid('job_id').notNullable();
    table.text('name').notNullable();
    table.text('room').notNullable();
    table.integer('position').notNullable();
    table.text('element').notNullable();
    table.text('side').notNullable();
    table.text('kind').notNullable();
    table.text('condition').notNullable();
    table.text('wind').notNullable();
    table.jsonb('geometry').notNullable();
    table.uuid('coating_id').notNullable();
    table.integer('coats').notNullable();
    table.double('thinning').notNullable();
    table.jsonb('tip');
    table
      .foreign(['company_id', 'job_id'])
      .references(['company_id', 'id'])
      .inTable('job')
      .onDelete('CASCADE');
    table.foreign(['company_id', 'coating_id']).references(['company_id', 'id']).inTable('coating');
    table.index(['company_id', 'job_id', 'position']);
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ['surface', 'job', 'tip', 'hose', 'sprayer', 'coating', 'company']) {
    await knex.schema.dropTable(table);
  }
}
