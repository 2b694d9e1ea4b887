import type { Knex } from 'knex';

/** Rows that change, by table and the name of their resource. */
const CHANGING = {
  coating: 'coatings',
  sprayer: 'sprayers',
  hose: 'hoses',
  tip: 'tips',
  gear: 'gear',
  system: 'systems',
  job: 'jobs',
  place: 'places',
  surface: 'surfaces',
} as const;

const keyed = [...Object.keys(CHANGING), 'entry'];

/**
 * What was deleted leaves its version, whichever way it went, so that a late write cannot bring it back; and ids are a
 * company's own: another's cannot be taken before it uses them.
 */
export async function up(knex: Knex): Promise<void> {
  // No foreign key: it is written while a company with all of its rows is being deleted, too.
  await knex.schema.createTable('tombstone', (table) => {
    table.uuid('company_id').notNullable();
    table.text('resource').notNullable();
    table.uuid('id').notNullable();
    table.integer('version').notNullable();
    table.timestamp('deleted_at').notNullable().defaultTo(knex.fn.now());
    table.primary(['company_id', 'resource', 'id']);
  });
  await knex.raw(`create function leave_tombstone() returns trigger language plpgsql as $$ begin
    insert into tombstone (company_id, resource, id, version) values (old.company_id, tg_argv[0], old.id, old.version + 1)
      on conflict (company_id, resource, id) do update set version = excluded.version, deleted_at = now();
    return null;
  end $$`);
  for (const [table, resource] of Object.entries(CHANGING)) {
    await knex.raw(
      `create trigger leave_tombstone after delete on ?? for each row
      execute function leave_tombstone('${resource}')`,
      [table],
    );
  }
  await knex.raw('alter table surface drop constraint surface_place_id_element_unique');
  await knex.raw('alter table surface add unique (company_id, place_id, element)');
  // Nothing refers to an entry: one index is enough.
  await knex.schema.alterTable('entry', (table) => table.dropUnique(['company_id', 'id']));
  for (const table of keyed) {
    // References use the unique pair that is there; it becomes the key.
    await knex.raw('alter table ?? drop constraint ??', [table, `${table}_pkey`]);
    await knex.raw('alter table ?? add primary key (company_id, id)', [table]);
  }
}

export async function down(knex: Knex): Promise<void> {
  for (const table of keyed) {
    await knex.raw('alter table ?? drop constraint ??', [table, `${table}_pkey`]);
    await knex.raw('alter table ?? add primary key (id)', [table]);
  }
  await knex.schema.alterTable('entry', (table) => table.unique(['company_id', 'id']));
  await knex.raw('alter table surface drop constraint surface_company_id_place_id_element_key');
  await knex.schema.alterTable('surface', (table) => table.unique(['place_id', 'element']));
  for (const table of Object.keys(CHANGING)) await knex.raw('drop trigger leave_tombstone on ??', [table]);
  await knex.raw('drop function leave_tombstone()');
  await knex.schema.dropTable('tombstone');
}
