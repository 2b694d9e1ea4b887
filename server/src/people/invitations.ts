import { CODE_LASTS } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { hashOfCode, newCode } from './secrets';
import type { Somebody } from './makeCompany';

/** A code with which a phone becomes somebody's: once, until it runs out. Those that have run out go. */
export async function makeInvitation(
  db: Database,
  { companyId, personId }: Somebody,
): Promise<{ readonly code: string; readonly expiresAt: Date }> {
  const code = newCode();
  const expiresAt = new Date(Date.now() + CODE_LASTS * 1000);
  await db('sign_in_code').where('expiresAt', '<', db.fn.now()).delete();
  await db('sign_in_code').insert({ hash: hashOfCode(code), companyId, personId, expiresAt });
  return { code, expiresAt };
}

/** Takes a code: whoever deletes it has it. Nobody, where it has run out or was used. */
export async function takeInvitation(db: Database, code: string): Promise<Somebody | undefined> {
  const [used] = await db('sign_in_code')
    .where({ hash: hashOfCode(code) })
    .delete<(Somebody & { expiresAt: Date })[]>(['companyId', 'personId', 'expiresAt']);
  return used && used.expiresAt > new Date() ? used : undefined;
}
