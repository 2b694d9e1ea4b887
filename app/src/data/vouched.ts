/**
 * Rows somebody has checked by the very contract this program has: the server whose contract is the same, or this program when it
 * kept them. They are not checked once more: reading the schemas alone takes a slow phone a second.
 */
const vouched = new WeakSet<object>();

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

/** The contract this program was built with, as its page says; nothing where it was not built, as under test. */
export const ownContract = (): string | undefined =>
  globalThis.document?.querySelector<HTMLMetaElement>('meta[name="contract"]')?.content || undefined;

/** Whether a row was checked by the contract this program has. */
export const isVouched = (row: unknown): boolean => isObject(row) && vouched.has(row);

/** Takes rows for checked. */
export function vouchFor(rows: readonly unknown[]): void {
  for (const row of rows) if (isObject(row)) vouched.add(row);
}

const listIn = (value: unknown): readonly unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
const rowIn = (value: unknown): unknown => (isObject(value) ? value['row'] : undefined);

/**
 * Takes the rows of an answer for checked where the server has the contract this program has: a row by itself, a list, what
 * changed, what became of a batch.
 * @param contract of the server, as its answer says
 */
export function vouchForAnswer(contract: string | null | undefined, body: unknown): void {
  if (!contract || contract !== ownContract() || !isObject(body)) return;
  const [items, results] = [listIn(body['items']), listIn(body['results'])];
  vouchFor([body, ...items, ...items.map(rowIn), ...listIn(body['rows']), ...results.map(rowIn)]);
}

/** Takes over who vouched for the rows of a list, or for a row, where others that say the same stand for them. */
export function vouchAlike(rows: unknown, alike: unknown): void {
  const [from, to] = Array.isArray(rows) && Array.isArray(alike) ? [rows, alike] : [[rows], [alike]];
  if (from.length !== to.length) return;
  vouchFor(to.filter((_row, index) => isVouched(from[index])));
}

/** Whether all of what a query has read was checked: the rows of a list, or a row by itself. */
export const allVouched = (data: unknown): boolean =>
  Array.isArray(data) ? data.every(isVouched) : isVouched(data);
