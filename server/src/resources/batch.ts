import type { BatchWrite } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { writing } from '../db/writing';
import { ProblemError } from '../http/problems';
import { pricesFor, type Actor } from '../people/actor';
import { storeOf } from './store';

/** Several writes in one transaction, in their order: all of them, or none and the problem of the first that fails. */
export async function writeBatch(
  db: Database,
  actor: Actor,
  writes: readonly BatchWrite[],
): Promise<(object | null)[]> {
  return writing(db, actor.companyId, async (trx) => {
    const rows: (object | null)[] = [];
    for (const [index, one] of writes.entries()) {
      try {
        rows.push(await writeOne(trx, actor, one));
      } catch (error) {
        throw error instanceof ProblemError ? inBatch(error, index) : error;
      }
    }
    return rows;
  });
}

async function writeOne(trx: Database, actor: Actor, one: BatchWrite): Promise<object | null> {
  const { companyId } = actor;
  const store = storeOf(trx, one.resource, pricesFor(actor));
  if (one.content === null) {
    await store.remove(companyId, one.id, one.version);
    return null;
  }
  const { version, ...fields } = one.content as { readonly version: number };
  return store.put(companyId, one.id, version, fields as never);
}

/** A problem of one write with its place in the batch before each field. */
function inBatch({ type, detail, errors, current }: ProblemError, index: number): ProblemError {
  return new ProblemError(
    type,
    detail,
    errors.map((error) => ({ ...error, field: `writes.${index}.content.${error.field}` })),
    current,
  );
}
