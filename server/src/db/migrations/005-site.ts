import type { Knex } from 'knex';
import { owned } from './owned';

/** What fits what in the kit, gear beside sprayers, hoses and tips, and the append-only site log. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sprayer', (table) => {
    table.text('power').notNullable().defaultTo('electric');
    table.text('outlet').notNullable().defaultTo('1/4');
    table.integer('inlet_mesh');
    table.integer('manifold_mesh');
    table.double('cord').notNullable().defaultTo(0);
  });
  await knex.schema.alterTable('hose', (table) => {
    // 250 bar: what hoses for these sprayers are commonly rated for; the print on the hose comes first.
    table.double('max_pressure').notNullable().defaultTo(25_000_000);
    table.text('fitting').notNullable().defaultTo('1/4');
  });
  await knex.schema.alterTable('tip', (table) => {
    table.double('litres_before').notNullable().defaultTo(0);
    table.double('price');
  });
  await knex.schema.createTable('gear', (table) => {
    owned(knex, table);
    table.text('kind').notNullable();
    table.text('name').notNullable();
    table.integer('count').notNullable();
    table.double('max_pressure');
    table.text('fitting');
    table.integer('mesh');
    table.double('length');
    table.text('seal');
    table.text('cup');
    table.text('note').notNullable();
  });
  // No foreign keys: what happened stays in the log when the job or the surface is deleted.
  await knex.schema.createTable('entry', (table) => {
    owned(knex, table);
    table.text('kind').notNullable();
    table.text('at').notNullable();
    table.text('author').notNullable();
    table.uuid('job_id');
    table.uuid('surface_id');
    table.uuid('replaces');
    table.jsonb('payload').notNullable();
    table.index(['company_id', 'at']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('entry');
  await knex.schema.dropTable('gear');
  await knex.schema.alterTable('tip', (table) => table.dropColumns('litres_before', 'price'));
  await knex.schema.alterTable('hose', (table) => table.dropColumns('max_pressure', 'fitting'));
  await knex.schema.alterTable('sprayer', (table) =>
    table.dropColumns('power', 'outlet', 'inlet_mesh', 'manifold_mesh', 'cord'),
  );
}
