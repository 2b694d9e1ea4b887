import { open } from 'node:fs/promises';
import type { ArchiveHead } from '@fine-spray/contract';
import { openDatabase } from '../db/database';
import { ProblemError } from '../http/problems';
import { within } from '../people/addCompany';
import { companyNamed } from '../people/companyNames';
import { packCompany } from './pack';
import { takeIn, type TakenIn } from './takeIn';
import { unpackCompany } from './unpack';

/**
 * Writes a company of a database to a file, for whoever looks after the server.
 * @throws an error with a sentence where there is no such company
 */
export async function archiveCompany(
  databaseUrl: string,
  company: string,
  file: string,
): Promise<ArchiveHead> {
  const found = await within(databaseUrl, (trx) => companyNamed(trx, company));
  if (!found) throw new ProblemError('not-found', `There is no company called ${company}.`);
  const db = openDatabase(databaseUrl);
  try {
    const out = await open(file, 'w');
    try {
      return await packCompany(db, found.id, async (piece) => {
        await out.write(piece);
      });
    } finally {
      await out.close();
    }
  } finally {
    await db.destroy();
  }
}

/**
 * Makes a company of an archive in a database: all of it or nothing.
 * @throws an error with a sentence where it cannot be read, or its name is taken
 */
export function takeInArchive(databaseUrl: string, bytes: Uint8Array, as?: string): Promise<TakenIn> {
  const archive = unpackCompany(bytes);
  return within(databaseUrl, (trx) => takeIn(trx, archive, as));
}
