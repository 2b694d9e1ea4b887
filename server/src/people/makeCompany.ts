import { randomUUID } from 'node:crypto';
import { USUAL_BOOK } from '@fine-spray/contract';
import type { Database } from '../db/database';

/** Somebody of a company. */
export interface Somebody {
  readonly companyId: string;
  readonly personId: string;
}

/** A company with the person that answers for it. */
export async function makeCompany(
  db: Database,
  name: string,
  owner: { readonly name: string; readonly initials: string },
): Promise<Somebody> {
  const [companyId, personId] = [randomUUID(), randomUUID()];
  await db('company').insert({ id: companyId, name, version: 1, book: JSON.stringify(USUAL_BOOK) });
  await db('person').insert({ id: personId, companyId, version: 1, ...owner, role: 'owner', active: true });
  return { companyId, personId };
}
