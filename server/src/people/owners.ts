import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';

const SENTENCE = 'A company has one owner at least. Make somebody else an owner first.';

/** Refuses what would leave a company without anybody who answers for it. Asked within the transaction, after the write. */
export async function checkOwner(db: Database, companyId: string): Promise<void> {
  if (await db('person').where({ companyId, role: 'owner', active: true }).first('id')) return;
  throw new ProblemError('bad-body', SENTENCE, [{ field: 'role', message: SENTENCE, code: 'owner' }]);
}
