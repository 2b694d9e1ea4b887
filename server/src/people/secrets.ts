import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { CODE_LENGTH, CODE_LETTERS } from '@fine-spray/contract';

/** What is kept of a password or PIN: how it was worked out, its salt and the result, as hex. */
export interface Kept {
  readonly n: number;
  readonly r: number;
  readonly p: number;
  readonly salt: string;
  readonly hash: string;
}

/** OWASP Password Storage Cheat Sheet, scrypt: N = 2^17, r = 8, p = 1. It takes 128 MB for the while it lasts. */
const COST = { n: 2 ** 17, r: 8, p: 1 } as const;
const LENGTH = 32;

function worked(secret: string, { n, r, p, salt }: Omit<Kept, 'hash'>): Promise<Buffer> {
  const options: ScryptOptions = { N: n, r, p, maxmem: 256 * n * r };
  return new Promise((resolve, reject) => {
    scrypt(secret.normalize('NFKC'), Buffer.from(salt, 'hex'), LENGTH, options, (error, hash) =>
      error ? reject(error) : resolve(hash),
    );
  });
}

/** What to keep of a secret instead of itself. */
export async function keep(secret: string): Promise<Kept> {
  const salt = randomBytes(16).toString('hex');
  return { ...COST, salt, hash: (await worked(secret, { ...COST, salt })).toString('hex') };
}

/** Whether a secret is the one that was kept. Takes as long where there is none, so that nobody learns which names there are. */
export async function isKept(secret: string, kept: Kept | undefined): Promise<boolean> {
  const hash = await worked(secret, kept ?? { ...COST, salt: '00' });
  return kept !== undefined && timingSafeEqual(hash, Buffer.from(kept.hash, 'hex'));
}

/** A code for a phone: 31 letters and digits, ten of them: 49 bits, for ten minutes. */
export const newCode = (): string =>
  Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');

/** What is kept of a code. It is random and short-lived: a plain hash keeps it from whoever reads the table. */
export const hashOfCode = (code: string): string => createHash('sha256').update(code).digest('hex');

/** A secret of the server. */
export const newSecret = (): string => randomBytes(32).toString('hex');
