import type { Knex } from 'knex';
import { changing, followed, owned } from './owned';

/** The plan of the days of a job: how it is asked for, where people put tasks, and what was found and taken. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('schedule', (table) => {
    owned(knex, table, 'of the company');
    table.uuid('job_id').notNullable();
    table
      .foreign(['company_id', 'job_id'])
      .references(['company_id', 'id'])
      .inTable('job')
      .onDelete('CASCADE');
    for (const name of ['first', 'school']) table.text(name).notNullable();
    for (const name of ['sprayers', 'seed']) table.integer(name).notNullable();
    for (const name of [
      'crew',
      'hours',
      'breaks',
      'workdays',
      'closed',
      'drying',
      'outside',
      'pins',
      'wishes',
    ])
      table.jsonb(name).notNullable();
    table.jsonb('result');
    changing(knex, table);
    table.unique(['company_id', 'job_id']);
  });
  await followed(knex, 'schedule', 'schedules');
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('schedule');
}
