import type { Knex } from 'knex';
import { changing, followed, owned } from './owned';

/** Of containers of one size that were stored with a coating the first stays, one with a price before one without. */
export async function eachSizeOnce(knex: Knex): Promise<void> {
  await knex.raw(`update coating set containers = (
    select jsonb_agg(one order by place) from (
      select distinct on (round((one->>'size')::numeric, 5)) one, place
      from jsonb_array_elements(containers) with ordinality as each (one, place)
      order by round((one->>'size')::numeric, 5), one->>'price' is null, place
    ) as kept
  ) where (
    select count(*) > count(distinct round((one->>'size')::numeric, 5)) from jsonb_array_elements(containers) as one
  )`);
}

/** Numbered offers of a job, in editions; what was sent keeps its figures. */
export async function up(knex: Knex): Promise<void> {
  await eachSizeOnce(knex);
  await knex.schema.createTable('offer', (table) => {
    owned(knex, table, 'of the company');
    table.uuid('job_id').notNullable();
    table
      .foreign(['company_id', 'job_id'])
      .references(['company_id', 'id'])
      .inTable('job')
      .onDelete('CASCADE');
    table.integer('number').notNullable();
    table.integer('edition').notNullable();
    for (const name of ['state', 'intro', 'terms', 'listed_by']) table.text(name).notNullable();
    for (const name of ['sent', 'answered']) table.text(name);
    table.integer('valid_days').notNullable();
    table.boolean('with_inside').notNullable();
    for (const name of ['blocks', 'options', 'taken', 'exclusions', 'sums', 'payments'])
      table.jsonb(name).notNullable();
    table.jsonb('figures');
    changing(knex, table);
    table.unique(['company_id', 'number', 'edition']);
    table.index(['company_id', 'job_id']);
  });
  await followed(knex, 'offer', 'offers');
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('offer');
}
