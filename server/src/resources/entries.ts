import { manyEntriesHead, oneOfMany, type ManyEntriesAnswer } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { inCompany } from '../db/writing';
import { ProblemError, asProblem, problemOf } from '../http/problems';
import type { Actor } from '../people/actor';
import { authorsOf, type Claimed } from '../people/authors';
import { storeOf } from './store';

/** An entry that was checked, with what the server found of the clock. */
interface Given extends Claimed {
  readonly clockSkew: number | null;
}

const nothing = () => new ProblemError('internal', 'Nothing was stored.');

/** Stores entries: each is taken or refused for itself, in its place. */
async function append(
  db: Database,
  actor: Actor,
  given: readonly Given[],
): Promise<(object | ProblemError)[]> {
  try {
    return await inCompany(db, actor.companyId, (trx) => appendAll(trx, actor, given));
  } catch (error) {
    const problem = asProblem(error);
    if (problem.type !== 'bad-body') throw error;
    // One of them is not for this database: the others are stored without it.
    if (given.length === 1) return [problem];
    const each: (object | ProblemError)[] = [];
    for (const one of given) each.push(...(await append(db, actor, [one])));
    return each;
  }
}

/** Stores entries together. */
async function appendAll(
  db: Database,
  actor: Actor,
  given: readonly Given[],
): Promise<(object | ProblemError)[]> {
  const authors = await authorsOf(db, actor, given);
  const good = given.flatMap(({ id, content, clockSkew }, index) => {
    const by = authors[index];
    if (by === undefined || by instanceof ProblemError) return [];
    const { author, personId } = by;
    return [{ id, content: { ...content, author }, beside: { clockSkew, personId } }];
  });
  const stored = (await storeOf(db, 'entries').append(actor.companyId, good)).values();
  return authors.map((by) => (by instanceof ProblemError ? by : (stored.next().value ?? nothing())));
}

/** One entry as it came. */
export async function putEntry(db: Database, actor: Actor, one: Given): Promise<object> {
  const [stored] = await append(db, actor, [one]);
  if (stored === undefined || stored instanceof ProblemError) throw stored ?? nothing();
  return stored;
}

/**
 * Entries of a device.
 * @param found what the server finds of the clock of that device now
 */
export async function putEntries(
  db: Database,
  actor: Actor,
  body: unknown,
  found: number | null,
): Promise<ManyEntriesAnswer> {
  const read = manyEntriesHead
    .parse(body)
    .entries.map((one) => ({ id: one.id, checked: oneOfMany.safeParse(one) }));
  const good = read.flatMap(({ checked }) => {
    if (!checked.success) return [];
    const { id, clockSkew = found, personId, ...content } = checked.data;
    return [{ id, content, personId, clockSkew }];
  });
  const stored = (await append(db, actor, good)).values();
  return {
    results: read.map(({ id, checked }) => {
      const row = checked.success ? stored.next().value : asProblem(checked.error);
      if (row === undefined || row instanceof ProblemError)
        return { id, problem: problemOf(row ?? nothing()) };
      return { id, row: row as never };
    }),
  };
}
