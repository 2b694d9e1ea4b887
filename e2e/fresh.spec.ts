import { address } from './pages';
import { expect, test, type Page } from './test';

/** What a device holds of this application, in each way a page can keep something. */
const held = (page: Page) =>
  page.evaluate(async () => ({
    local: Object.entries(localStorage),
    session: Object.entries(sessionStorage),
    databases: (await indexedDB.databases()).map(({ name }) => name),
    caches: await caches.keys(),
    cookie: document.cookie,
  }));

/** The browser of a worker serves one test after the other: each must find it as new. */
test.describe.serial('from one test to the next', () => {
  test('a test leaves what it likes on its device', async ({ page, context }) => {
    await page.goto(`${address()}/icon.svg`);
    await page.evaluate(async () => {
      localStorage.setItem('left', 'here');
      sessionStorage.setItem('left', 'here');
      document.cookie = 'left=here; max-age=3600';
      await (await caches.open('left')).put('/left', new Response('here'));
      await new Promise((resolve) => {
        indexedDB.open('left').onsuccess = resolve;
      });
    });
    expect(await held(page)).toMatchObject({
      local: [['left', 'here']],
      databases: ['left'],
      caches: ['left'],
    });
    await context.route('**/icon.svg', (route) => route.abort());
    await context.setOffline(true);
  });

  test('the next one finds nothing of it, and a network', async ({ page, context }) => {
    expect(context.pages().filter((one) => one.url() !== 'about:blank')).toEqual([]);
    await page.goto(`${address()}/icon.svg`);
    expect(await held(page)).toEqual({ local: [], session: [], databases: [], caches: [], cookie: '' });
  });
});
