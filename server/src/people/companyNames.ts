import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';

/** A company by its name, however that is written; another than one of them where that is said. */
export function companyNamed(
  db: Database,
  company: string,
  but?: string,
): Promise<{ id: string; name: string } | undefined> {
  const found = db('company').whereRaw('lower(name) = lower(?)', [company]);
  if (but !== undefined) void found.whereNot({ id: but });
  return found.first<{ id: string; name: string } | undefined>('id', 'name');
}

/**
 * Refuses a name that another company has.
 * @param field where it was given
 */
export async function refuseTaken(db: Database, company: string, field: string, but?: string): Promise<void> {
  if (!(await companyNamed(db, company, but))) return;
  const message = `There is a company called ${company} already. Give this one another name.`;
  throw new ProblemError('bad-body', message, [{ field, message, code: 'taken' }]);
}
