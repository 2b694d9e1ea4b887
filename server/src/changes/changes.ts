import {
  ANSWER_LENGTH,
  CHANGES_AT_ONCE,
  RESOURCES,
  RESOURCE_NAMES,
  may,
  type Change,
  type Changes,
  type ResourceName,
} from '@fine-spray/contract';
import type { Knex } from 'knex';
import type { Database } from '../db/database';
import { atOneMoment } from '../db/writing';
import { ProblemError } from '../http/problems';
import { pricesFor, type Actor } from '../people/actor';
import { reaches } from '../people/own';
import { companyOf, withoutMoney } from '../resources/company';
import { storeOf } from '../resources/store';
import { NOTHING_SEEN, readCursor, writeCursor, type Cursor, type Position } from './cursor';

/** Where changes are looked for, in the order they are told within a transaction. */
const SOURCES = ['company', ...RESOURCE_NAMES, 'gone'] as const;
type Source = (typeof SOURCES)[number];

interface Found {
  readonly source: number;
  readonly id: string;
  readonly of: string;
  readonly changed: string;
  readonly length: number;
}

/** The moment an answer is of, and which database this is: another after a restore, or where it was moved to. */
async function momentOf(trx: Database): Promise<{ readonly now: string; readonly of: string }> {
  const { rows } = await trx.raw<{
    rows: { now: string; of: string }[];
  }>(`select pg_current_snapshot()::text as now,
    concat_ws('.', (select system_identifier from pg_control_system()),
      (select oid from pg_database where datname = current_database()), 'entry'::regclass::oid) as of`);
  const [moment] = rows;
  if (!moment) throw new Error('the database has no moment');
  return moment;
}

const part = (snapshot: string, index: 0 | 1): string => snapshot.split(':')[index] ?? '0';

/** What of a table stands behind a position. */
function behind(query: Knex.QueryBuilder, source: number, of: string, after: Position): void {
  const [changed, at, id, twice] = after;
  if (source > at) void query.whereRaw('changed >= ?::xid8', [changed]);
  else if (source < at) void query.whereRaw('changed > ?::xid8', [changed]);
  else void query.whereRaw(`(changed, id, ${of}) > (?::xid8, ?::uuid, ?)`, [changed, id, twice]);
}

/** Changes that a snapshot does not see, in order, one more than an answer holds. */
async function found(trx: Database, companyId: string, { seen, within }: Cursor): Promise<Found[]> {
  const queries = SOURCES.map((name, source) => {
    const table = name === 'company' ? name : name === 'gone' ? 'tombstone' : RESOURCES[name].table;
    const of = name === 'gone' ? 'resource' : "''::text";
    const rows = trx(table)
      .where({ [name === 'company' ? 'id' : 'companyId']: companyId })
      .whereRaw('changed >= ?::xid8', [part(seen, 0)])
      .whereRaw('not pg_visible_in_snapshot(changed, ?::pg_snapshot)', [seen])
      .orderByRaw(`changed, id, ${of}`)
      .limit(CHANGES_AT_ONCE + 1);
    if (within) behind(rows, source, of, within.after);
    return trx
      .from(rows.as('one'))
      .select(trx.raw(`${source} as source, id, ${of} as of, changed, octet_length(one::text) as length`));
  });
  const [first, ...others] = queries;
  if (!first) return [];
  const all = trx.from(first.unionAll(others).as('all_of_them'));
  return (await all
    .orderByRaw('changed, source, id, of')
    .limit(CHANGES_AT_ONCE + 1)
    .select('*')) as Found[];
}

/** As many as an answer holds: one at least. */
function held(all: readonly Found[]): readonly Found[] {
  let length = 0;
  const over = all.findIndex((one, index) => {
    length += one.length;
    return index > 0 && (length > ANSWER_LENGTH || index >= CHANGES_AT_ONCE);
  });
  return over === -1 ? all : all.slice(0, over);
}

const sourceOf = ({ source }: Found): Source => SOURCES[source] ?? 'gone';
const nameOf = ({ source, of, id }: Found) => `${source} ${of} ${id}`;

/** What became of each: by its name. */
async function shown(trx: Database, actor: Actor, some: readonly Found[]): Promise<Map<string, Change>> {
  const told = new Map<string, Change>();
  const { companyId, role } = actor;
  const idsOf = (name: Source) => some.filter((one) => sourceOf(one) === name).map(({ id }) => id);
  const put = (source: Source, of: string, one: Change) =>
    told.set(nameOf({ source: SOURCES.indexOf(source), of, id: one.id } as Found), one);
  if (idsOf('company').length > 0) {
    const row = await companyOf(trx, companyId);
    put('company', '', {
      resource: 'company',
      id: row.id,
      row: may(role, 'money') ? row : withoutMoney(row),
    });
  }
  for (const resource of RESOURCE_NAMES) {
    const ids = idsOf(resource).filter((id) => reaches(actor, resource, id));
    const { seenBy } = RESOURCES[resource];
    if (ids.length === 0 || (seenBy && !may(role, seenBy))) continue;
    const { items, unreadable } = await storeOf(trx, resource, pricesFor(actor)).some(companyId, ids);
    for (const row of items) put(resource, '', { resource, id: row.id, row });
    for (const one of unreadable) put(resource, '', { resource, id: one.id, unreadable: one });
  }
  const gone = idsOf('gone');
  if (gone.length > 0) {
    const left = await trx('tombstone')
      .where({ companyId })
      .whereIn('id', gone)
      .select<{ resource: ResourceName; id: string; version: number; deletedAt: Date }[]>('*');
    for (const { resource, id, version, deletedAt } of left)
      put('gone', resource, { resource, id, gone: { id, version, deletedAt: deletedAt.toISOString() } });
  }
  return told;
}

/**
 * What changed in a company that a cursor has not seen. A row says which transaction changed it last, and a cursor which
 * transactions its snapshot saw: one that commits later was not among them, however early it began. Rows that change while a
 * client goes through the pages come again afterwards, since it goes on from the snapshot of the first of them.
 */
export function changesSince(db: Database, actor: Actor, since: string | undefined): Promise<Changes> {
  return atOneMoment(db, actor.companyId, async (trx) => {
    const { now, of } = await momentOf(trx);
    if (since === 'now') return { items: [], cursor: writeCursor({ of, seen: now }), more: false };
    const cursor = since === undefined ? { of, seen: NOTHING_SEEN } : readCursor(since);
    if (cursor.of !== of || BigInt(part(cursor.seen, 1)) > BigInt(part(now, 1)))
      throw new ProblemError(
        'begin-anew',
        'What changed since then cannot be told: the data were restored or moved. Read everything anew.',
      );
    const all = await found(trx, actor.companyId, cursor);
    const some = held(all);
    const told = await shown(trx, actor, some);
    const items = some.flatMap((one) => told.get(nameOf(one)) ?? []);
    const first = cursor.within?.first ?? now;
    const last = some.at(-1);
    const more = last !== undefined && some.length < all.length;
    const next: Cursor = more
      ? { of, seen: cursor.seen, within: { first, after: [last.changed, last.source, last.id, last.of] } }
      : { of, seen: first };
    return { items, cursor: writeCursor(next), more };
  });
}
