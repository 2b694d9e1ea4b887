import type { Knex } from 'knex';
import { owned } from './owned';

/** The people of a company, their devices and how they get in; who wrote an entry. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('person', (table) => {
    owned(knex, table, 'of the company');
    table.text('name').notNullable();
    table.text('initials').notNullable();
    table.text('role').notNullable();
    table.boolean('active').notNullable();
  });
  await knex.raw(`create trigger leave_tombstone after delete on person for each row
    execute function leave_tombstone('people')`);
  // Somebody answers for a company that was there before there were people.
  await knex.raw(`insert into person (id, company_id, version, name, initials, role, active)
    select gen_random_uuid(), id, 1, 'Owner', 'OW', 'owner', true from company`);
  await knex.schema.alterTable('entry', (table) => {
    table.uuid('person_id');
  });

  const ofPerson = (table: Knex.CreateTableBuilder) => {
    table.uuid('company_id').notNullable();
    table.uuid('person_id').notNullable();
    table
      .foreign(['company_id', 'person_id'])
      .references(['company_id', 'id'])
      .inTable('person')
      .onDelete('CASCADE');
  };
  await knex.schema.createTable('device', (table) => {
    table.uuid('id').primary();
    ofPerson(table);
    table.text('name').notNullable();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.timestamp('seen_at').notNullable().defaultTo(knex.fn.now());
    table.timestamp('revoked_at');
  });
  /** Who else may take over a device. */
  await knex.schema.createTable('device_person', (table) => {
    table.uuid('device_id').notNullable().references('id').inTable('device').onDelete('CASCADE');
    ofPerson(table);
    table.primary(['device_id', 'person_id']);
  });
  /** How somebody gets in: a password with its name, a PIN, a passkey. Never the secret itself. */
  await knex.schema.createTable('credential', (table) => {
    table.uuid('id').primary();
    ofPerson(table);
    table.text('kind').notNullable();
    table.text('login').unique();
    table.jsonb('secret').notNullable();
    table.unique(['person_id', 'kind', 'login']);
  });
  await knex.schema.createTable('sign_in_code', (table) => {
    table.text('hash').primary();
    ofPerson(table);
    table.timestamp('expires_at').notNullable();
  });
  await knex.schema.createTable('session', (table) => {
    table.string('sid').primary();
    table.json('sess').notNullable();
    table.timestamp('expired').notNullable().index();
  });
  await knex.schema.createTable('server_secret', (table) => {
    table.text('name').primary();
    table.text('value').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ['server_secret', 'session', 'sign_in_code', 'credential', 'device_person', 'device'])
    await knex.schema.dropTable(table);
  await knex.schema.alterTable('entry', (table) => table.dropColumn('person_id'));
  await knex.schema.dropTable('person');
}
