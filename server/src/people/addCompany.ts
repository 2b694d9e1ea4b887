import { CODE_LASTS } from '@fine-spray/contract';
import { migrate, openDatabase, type Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { companyNamed, refuseTaken } from './companyNames';
import { makeInvitation } from './invitations';
import { makeCompany, type Somebody } from './makeCompany';

/** A way in for somebody, for whoever looks after the server. */
export interface WayIn {
  readonly company: string;
  readonly owner: string;
  /** The code with which a phone becomes the owner's. */
  readonly code: string;
  /** How long it lasts, s. */
  readonly lasts: number;
}

/** Does something in one transaction with a database that is brought up to date first. */
export async function within<Result>(
  databaseUrl: string,
  work: (trx: Database) => Promise<Result>,
): Promise<Result> {
  await migrate(databaseUrl);
  const db = openDatabase(databaseUrl, { sees: 'the door' });
  try {
    return await db.transaction(work);
  } finally {
    await db.destroy();
  }
}

/**
 * Makes one more company in a database, with the person that answers for it: their way in is the code.
 * @throws an error with a sentence where there is one of that name
 */
export function addCompany(databaseUrl: string, company: string, owner: string): Promise<WayIn> {
  return within(databaseUrl, async (trx) => {
    await trx.raw('lock table company in exclusive mode');
    await refuseTaken(trx, company, 'company');
    const initials = owner
      .split(/\s+/)
      .map((word) => word.slice(0, 1).toUpperCase())
      .join('')
      .slice(0, 8);
    const somebody = await makeCompany(trx, company, { name: owner, initials });
    const { code } = await makeInvitation(trx, somebody);
    return { company, owner, code, lasts: CODE_LASTS };
  });
}

/**
 * A way in for the first owner of a company: where people begin to sign in on a server that was used without, or a password is
 * forgotten.
 * @throws an error with a sentence where there is no such company
 */
export function inviteOwner(databaseUrl: string, company: string): Promise<WayIn> {
  return within(databaseUrl, async (trx) => {
    const found = await companyNamed(trx, company);
    if (!found) throw new ProblemError('not-found', `There is no company called ${company}.`);
    const owner = await trx('person')
      .where({ companyId: found.id, role: 'owner', active: true })
      .orderBy('createdAt')
      .first<{ id: string; name: string }>('id', 'name');
    const somebody: Somebody = { companyId: found.id, personId: owner.id };
    const { code } = await makeInvitation(trx, somebody);
    return { company: found.name, owner: owner.name, code, lasts: CODE_LASTS };
  });
}
