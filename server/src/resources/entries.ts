import { manyEntriesHead, oneOfMany, type ManyEntriesAnswer } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { ProblemError, asProblem, problemOf } from '../http/problems';
import { storeOf, type Appended } from './store';

/** One entry as it came. */
export async function putEntry(db: Database, companyId: string, one: Appended<'entries'>): Promise<object> {
  const [stored] = await storeOf(db, 'entries').append(companyId, [one]);
  if (stored === undefined || stored instanceof ProblemError)
    throw stored ?? new ProblemError('internal', 'Nothing was stored.');
  return stored;
}

/** Entries of a device, each taken or refused for itself and answered in its place. */
export async function putEntries(
  db: Database,
  companyId: string,
  body: unknown,
  beside: Readonly<Record<string, unknown>>,
): Promise<ManyEntriesAnswer> {
  const read = manyEntriesHead
    .parse(body)
    .entries.map((one) => ({ id: one.id, checked: oneOfMany.safeParse(one) }));
  const good = read.flatMap(({ checked }) => {
    if (!checked.success) return [];
    const { id, clockSkew, ...content } = checked.data;
    return [{ id, content, beside: clockSkew === undefined ? beside : { clockSkew } }];
  });
  const stored = (await storeOf(db, 'entries').append(companyId, good)).values();
  return {
    results: read.map(({ id, checked }) => {
      const row = checked.success ? stored.next().value : asProblem(checked.error);
      if (row === undefined || row instanceof ProblemError)
        return { id, problem: problemOf(row ?? new ProblemError('internal', 'Nothing was stored.')) };
      return { id, row };
    }),
  };
}
