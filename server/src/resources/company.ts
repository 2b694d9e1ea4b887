import { isDeepStrictEqual } from 'node:util';
import type { Company, CompanyBook } from '@fine-spray/contract';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';

interface CompanyRow {
  id: string;
  name: string;
  book: CompanyBook | null;
  version: number;
  created_at: Date;
  updated_at: Date;
}

function fromRow(row: CompanyRow): Company {
  return {
    id: row.id,
    name: row.name,
    book: row.book,
    version: row.version,
    createdAt: row.created_at.toISOString(),
    updatedAt: row.updated_at.toISOString(),
  };
}

/**
 * The company a request acts for. There is one company and no sign-in yet, so it is the first row;
 * every query is already scoped by the id this returns, and sign-in will replace only this function.
 */
export async function currentCompany(db: Database): Promise<Company> {
  const row = await db<CompanyRow>('company').orderBy('created_at').first();
  if (!row) throw new ProblemError('not-found', 'There is no company yet.');
  return fromRow(row);
}

/** Stores name and book of the company; idempotent, refused when the version is stale. */
export async function putCompany(
  db: Database,
  version: number,
  fields: Pick<Company, 'name' | 'book'>,
): Promise<Company> {
  const company = await currentCompany(db);
  const { name, book } = fields;
  if (company.name === name && isDeepStrictEqual(company.book, book)) return company;
  const [row] = (await db('company')
    .where({ id: company.id, version })
    .update({
      name,
      book: book === null ? null : JSON.stringify(book),
      version: version + 1,
      updated_at: db.fn.now(),
    })
    .returning('*')) as CompanyRow[];
  if (!row)
    throw new ProblemError('stale', 'The company was changed elsewhere in the meantime.', [], company);
  return fromRow(row);
}
