import { may, type EntryFields, type Role } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import type { Actor } from './actor';
import { sharing } from './who';

/** An entry as it came, and who of those that share the device says to have written it. */
export interface Claimed {
  readonly id: string;
  readonly content: EntryFields;
  readonly personId?: string | null | undefined;
}

/** An entry with its author by the server's word, or why it is not taken. */
export type Authored = { readonly author: string; readonly personId: string | null } | ProblemError;

interface Person {
  readonly id: string;
  readonly initials: string;
  readonly role: Role;
}

/**
 * Who wrote each of some entries: the person of the device, or one of those that share it. Where nobody signs in and nobody was
 * chosen, what the entry says. What somebody else wrote is corrected only by who may.
 */
export async function authorsOf(
  db: Database,
  actor: Actor,
  entries: readonly Claimed[],
): Promise<readonly Authored[]> {
  const { companyId, deviceId } = actor;
  const claimed = (one: Claimed) => one.personId ?? actor.personId;
  const named = [...new Set(entries.flatMap((one) => claimed(one) ?? []))];
  const rows = named.length === 0 ? [] : await people(db, companyId, named);
  const known = new Map(rows.map((one) => [one.id, one]));
  const others = named.some((id) => id !== actor.personId) && deviceId !== null;
  const shared = others ? await sharing(db, deviceId) : undefined;
  const written = await writersOf(db, companyId, entries);
  for (const one of entries) written.set(one.id, claimed(one));
  return entries.map((one): Authored => {
    const personId = claimed(one);
    if (personId === null) return { author: one.content.author, personId };
    const person = known.get(personId);
    if (!person || (personId !== actor.personId && shared && !shared.has(personId)))
      return new ProblemError('not-allowed', 'Whoever wrote this has not been on this device.');
    const replaced = one.content.replaces === null ? null : written.get(one.content.replaces);
    if (replaced && replaced !== personId && !may(person.role, 'others'))
      return new ProblemError(
        'not-allowed',
        'Somebody else wrote that. Ask them, a lead or an owner to correct it.',
      );
    return { author: person.initials, personId };
  });
}

const people = (db: Database, companyId: string, ids: readonly string[]): Promise<Person[]> =>
  db('person').where({ companyId }).whereIn('id', ids).select('id', 'initials', 'role') as Promise<Person[]>;

/** Who wrote the entries that some replace. */
async function writersOf(
  db: Database,
  companyId: string,
  entries: readonly Claimed[],
): Promise<Map<string, string | null>> {
  const ids = entries.flatMap(({ content: { replaces } }) => replaces ?? []);
  if (ids.length === 0) return new Map();
  const rows = await db('entry')
    .where({ companyId })
    .whereIn('id', ids)
    .select<{ id: string; personId: string | null }[]>('id', 'personId');
  return new Map(rows.map(({ id, personId }) => [id, personId]));
}
