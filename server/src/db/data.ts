import { Announcer } from '../changes/announcer';
import { openDatabase, type Database } from './database';

/** The ways to what is stored: opened once for each server. */
export interface Data {
  /** Rows of a company, in a transaction that says which (`inCompany`). */
  readonly db: Database;
  /** Who somebody is and which company they are of: for the door, before a company is known. */
  readonly doorDb: Database;
  readonly announcer: Announcer;
  close(): Promise<void>;
}

/** Opens them; nothing is asked of the database yet. */
export function openData(url: string): Data {
  const db = openDatabase(url);
  const doorDb = openDatabase(url, { sees: 'the door' });
  const announcer = new Announcer(url, doorDb);
  return {
    db,
    doorDb,
    announcer,
    close: async () => {
      await announcer.close();
      await Promise.all([db.destroy(), doorDb.destroy()]);
    },
  };
}
