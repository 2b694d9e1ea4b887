import { CODE_LASTS } from '@fine-spray/contract';
import { migrate, openDatabase } from '../db/database';
import { ProblemError } from '../http/problems';
import { makeInvitation } from './invitations';
import { makeCompany } from './makeCompany';

export interface CompanyAdded {
  /** The code with which a phone becomes the owner's. */
  readonly code: string;
  /** How long it lasts, s. */
  readonly lasts: number;
}

/**
 * Makes one more company in a database, with the person that answers for it: their way in is the code.
 * @throws an error with a sentence where there is one of that name
 */
export async function addCompany(databaseUrl: string, name: string, owner: string): Promise<CompanyAdded> {
  await migrate(databaseUrl);
  const db = openDatabase(databaseUrl);
  try {
    return await db.transaction(async (trx) => {
      await trx.raw('lock table company in exclusive mode');
      if (await trx('company').whereRaw('lower(name) = lower(?)', [name]).first('id'))
        throw new ProblemError('bad-body', `There is a company called ${name} already.`);
      const initials = owner
        .split(/\s+/)
        .map((word) => word.slice(0, 1).toUpperCase())
        .join('')
        .slice(0, 8);
      const somebody = await makeCompany(trx, name, { name: owner, initials });
      return { code: await makeInvitation(trx, somebody), lasts: CODE_LASTS };
    });
  } finally {
    await db.destroy();
  }
}
