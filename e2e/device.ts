import { expect, type Page } from '@playwright/test';

interface Kept {
  readonly waiting: number;
  readonly entries: number;
  /** Names of the queries whose rows are kept. */
  readonly queries: readonly string[];
}

/** What a page's device keeps in its database now. */
export function kept(page: Page): Promise<Kept> {
  return page.evaluate(
    () =>
      new Promise<Kept>((resolve, reject) => {
        const opening = indexedDB.open('fine-spray');
        opening.onerror = () => reject(new Error('the database of the device does not open'));
        opening.onsuccess = () => {
          const database = opening.result;
          const read = database.transaction(['waiting', 'entries', 'queries']);
          const waiting = read.objectStore('waiting').count();
          const entries = read.objectStore('entries').count();
          const queries = read.objectStore('queries').getAllKeys();
          read.oncomplete = () => {
            database.close();
            resolve({
              waiting: waiting.result,
              entries: entries.result,
              queries: queries.result.map(String),
            });
          };
        };
      }),
  );
}

/** Waits until a device keeps the log and the rows its pages have read: before that a page has nothing to open from. */
export async function keeps(
  page: Page,
  entries: number,
  queries: readonly (readonly string[])[],
): Promise<void> {
  await expect.poll(async () => (await kept(page)).entries).toBeGreaterThanOrEqual(entries);
  const names = queries.map((key) => JSON.stringify(key));
  await expect
    .poll(async () => {
      const { queries: there } = await kept(page);
      return names.filter((name) => !there.includes(name));
    })
    .toEqual([]);
}
