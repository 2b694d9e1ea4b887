import { setTimeout as pause } from 'node:timers/promises';
import type { Knex } from 'knex';
import type { Database } from './database';

/** Two transactions that waited for each other: one of them was ended and can be done again. */
const AGAIN = new Set(['40P01', '40001']);
const TRIES = 5;

/**
 * A transaction that is done again when the database ended it for another's sake. What it does must be safe to repeat: it
 * was rolled back.
 */
export async function repeated<Result>(
  db: Database,
  work: (trx: Database) => Promise<Result>,
  how: Knex.TransactionConfig = {},
): Promise<Result> {
  for (let tried = 1; ; tried += 1) {
    try {
      return await db.transaction(work, how);
    } catch (error) {
      if (tried === TRIES || !AGAIN.has(String((error as { code?: unknown }).code))) throw error;
      await pause(10 * tried);
    }
  }
}

/** Of which company a transaction is: what `CompanyClient` begins it with. */
const ofCompany = (company: string, how: Knex.TransactionConfig = {}): Knex.TransactionConfig =>
  ({ ...how, company }) as Knex.TransactionConfig;

/** A transaction in which the database shows one company's rows and takes no other's. */
export function inCompany<Result>(
  db: Database,
  companyId: string,
  work: (trx: Database) => Promise<Result>,
  how: Knex.TransactionConfig = {},
): Promise<Result> {
  return db.transaction(work, ofCompany(companyId, how));
}

/** What a company has stored, as it is at one moment. */
export const atOneMoment = <Result>(
  db: Database,
  companyId: string,
  work: (trx: Database) => Promise<Result>,
): Promise<Result> => inCompany(db, companyId, work, { isolationLevel: 'repeatable read', readOnly: true });

/**
 * Writes to the plans of a company, one transaction after another: what is checked (that a row named is there, that there is
 * room for one more) still holds when it is written, and two batches that cross cannot wait for each other. Readers and the
 * log do not wait for it.
 */
export function writing<Result>(
  db: Database,
  companyId: string,
  work: (trx: Database) => Promise<Result>,
): Promise<Result> {
  return repeated(
    db,
    async (trx) => {
      // The mildest lock two writers exclude each other by: rows that name the company go on.
      await trx('company').where({ id: companyId }).forNoKeyUpdate().first('id');
      return work(trx);
    },
    ofCompany(companyId),
  );
}
