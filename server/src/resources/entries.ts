import { ENTRIES_AT_ONCE, manyEntriesHead, oneOfMany, type ManyEntriesAnswer } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { inCompany } from '../db/writing';
import { ProblemError, asProblem, problemOf } from '../http/problems';
import type { Actor } from '../people/actor';
import { authorsOf, type Claimed } from '../people/authors';
import { Gathered } from './gathered';
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

/**
 * Entries as they come one by one. Those of one device that come while some are being stored are stored together after them: each
 * is answered when it is on the disk.
 */
export class EntriesOneByOne {
  private readonly gathered = new Gathered<Given, object | ProblemError>(ENTRIES_AT_ONCE);

  constructor(private readonly db: Database) {}

  /** Stores an entry; throws why it is not taken. */
  async put(actor: Actor, one: Given): Promise<object> {
    const { companyId, personId, deviceId, role } = actor;
    const key = [companyId, personId, deviceId, role].join(' ');
    const stored = await this.gathered.add(key, one, (all) => this.store(actor, all));
    if (stored instanceof ProblemError) throw stored;
    return stored;
  }

  /** Stores some together; where they fail together for a reason of their own, each by itself. */
  private async store(actor: Actor, all: readonly Given[]): Promise<(object | ProblemError)[]> {
    try {
      return await append(this.db, actor, all);
    } catch (error) {
      if (all.length === 1 || asProblem(error).type !== 'internal') throw error;
      const each: (object | ProblemError)[] = [];
      for (const one of all)
        each.push(...(await append(this.db, actor, [one]).catch((own: unknown) => [asProblem(own)])));
      return each;
    }
  }
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
