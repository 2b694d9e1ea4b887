import { isDeepStrictEqual } from 'node:util';
import { company as companySchema, fieldProblems, type Company } from '@fine-spray/contract';
import { NO_TERMS } from '@fine-spray/core/quantities';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';

interface CompanyRow {
  readonly id: string;
  readonly name: string;
  readonly book: unknown;
  readonly version: number;
  readonly createdAt: Date;
  readonly updatedAt: Date;
}

function fromRow({ id, name, book, version, createdAt, updatedAt }: CompanyRow): Company {
  const row = {
    id,
    name,
    book,
    version,
    createdAt: createdAt.toISOString(),
    updatedAt: updatedAt.toISOString(),
  };
  const checked = companySchema.safeParse(row);
  if (checked.success) return checked.data;
  const errors = fieldProblems(checked.error);
  throw new ProblemError(
    'unreadable',
    `The rates and prices of the company are stored in a way that cannot be read: ${errors[0]?.message ?? ''}`,
    errors,
  );
}

/** A company, with what it calculates with. */
export async function companyOf(db: Database, id: string): Promise<Company> {
  const row = (await db('company').where({ id }).first()) as CompanyRow | undefined;
  if (!row) throw new ProblemError('not-found', 'There is no company yet.');
  return fromRow(row);
}

/** A company as somebody sees it who has nothing to do with money: without its prices. */
export function withoutMoney(company: Company): Company {
  const { book } = company;
  if (book === null) return company;
  const prices = Object.fromEntries(
    Object.keys(book.prices).map((name) => [name, null]),
  ) as typeof book.prices;
  return { ...company, book: { ...book, hour: null, prices, terms: { ...NO_TERMS } } };
}

/** Stores name and book of the company; idempotent, refused when the version is stale. */
export async function putCompany(
  db: Database,
  companyId: string,
  version: number,
  fields: Pick<Company, 'name' | 'book'>,
): Promise<Company> {
  const company = await companyOf(db, companyId);
  const { name, book } = fields;
  if (company.name === name && isDeepStrictEqual(company.book, book)) return company;
  const [row] = (await db('company')
    .where({ id: company.id, version })
    .update({
      name,
      book: book === null ? null : JSON.stringify(book),
      version: version + 1,
      updatedAt: db.fn.now(),
    })
    .returning('*')) as CompanyRow[];
  if (!row)
    throw new ProblemError('stale', 'The company was changed elsewhere in the meantime.', [], company);
  return fromRow(row);
}
