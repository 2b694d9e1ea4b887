import { z } from 'zod';
import { ProblemError } from '../http/problems';

/** A transaction's number, in decimals: it has 64 bits. */
const xid = z.string().regex(/^\d{1,20}$/);
const snapshot = z.string().regex(/^\d{1,20}:\d{1,20}:(\d{1,20}(,\d{1,20})*)?$/);

/** Where a page ended: in the order of transactions, within one by table, then id; `of` where a table has an id twice. */
const position = z.tuple([xid, z.int().min(0).max(99), z.uuid(), z.string().max(40)]);
export type Position = z.infer<typeof position>;

/**
 * From where changes are told on. `seen`: the snapshot whose changes the client has. While it goes through pages also the
 * snapshot of the first of them, from which it will go on, and where the last ended. `of`: the database it stands for.
 */
export interface Cursor {
  readonly of: string;
  readonly seen: string;
  readonly within?: { readonly first: string; readonly after: Position } | undefined;
}

const written = z.tuple([z.string().max(200), snapshot, z.tuple([snapshot, position]).nullable()]);

/** A snapshot that sees nothing: from the beginning. */
export const NOTHING_SEEN = '1:1:';

export const writeCursor = ({ of, seen, within }: Cursor): string =>
  Buffer.from(JSON.stringify([of, seen, within ? [within.first, within.after] : null])).toString('base64url');

/** A cursor as it was written here; refused at its field where it was not. */
export function readCursor(text: string): Cursor {
  try {
    const [of, seen, within] = written.parse(JSON.parse(Buffer.from(text, 'base64url').toString()));
    return { of, seen, ...(within ? { within: { first: within[0], after: within[1] } } : {}) };
  } catch {
    const message = 'This is no cursor of an answer of changes.';
    throw new ProblemError('bad-body', message, [{ field: 'since', message, code: 'cursor' }]);
  }
}
