import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import {
  expect,
  test as base,
  type BrowserContext,
  type CDPSession,
  type ConsoleMessage,
  type Page,
  type Request,
} from '@playwright/test';
import pg from 'pg';
import { freePort } from './fine-spray';
import { Instance } from './instance';

/** A copy of the database with the demo in it. */
async function demoDatabase(name: string): Promise<string> {
  const template = new URL(process.env['FINE_SPRAY_TEMPLATE'] ?? '');
  const client = new pg.Client({ connectionString: process.env['FINE_SPRAY_ADMIN'] ?? '' });
  await client.connect();
  await client.query(`create database ${name} template ${template.pathname.slice(1)}`);
  await client.end();
  template.pathname = `/${name}`;
  return template.href;
}

let started = 0;

/** A browser with a profile on disk, so that scripts are compiled once and not for each test: half of a page load. */
interface Device {
  readonly context: BrowserContext;
  /** A page nobody sees, through which what an origin keeps is forgotten. */
  readonly forgetting: CDPSession;
}

/** What a page can leave on a device; compiled scripts and cached files stay. */
const KEPT = 'cookies,local_storage,indexeddb,cache_storage';

async function asNew({ context, forgetting }: Device, origin: string, pages: number): Promise<void> {
  for (const page of context.pages().slice(pages)) await page.close();
  await context.unrouteAll({ behavior: 'ignoreErrors' });
  await context.setOffline(false);
  await context.clearPermissions();
  await forgetting.send('Storage.clearDataForOrigin', { origin, storageTypes: KEPT });
}

/** Calls of pages that have no answer yet, and those that failed. */
class Calls {
  private readonly begun = new Map<Request, number>();
  private readonly failed: string[] = [];

  constructor(private readonly context: BrowserContext) {
    context.on('request', this.hear);
    context.on('requestfinished', this.forget);
    context.on('requestfailed', this.note);
  }

  private readonly hear = (request: Request) => void this.begun.set(request, Date.now());
  private readonly forget = (request: Request) => void this.begun.delete(request);
  private readonly note = (request: Request) => {
    this.begun.delete(request);
    this.failed.push(`${request.method()} ${request.url()}: ${request.failure()?.errorText ?? ''}`);
  };

  end(): void {
    this.context.off('request', this.hear);
    this.context.off('requestfinished', this.forget);
    this.context.off('requestfailed', this.note);
  }

  get said(): string {
    const open = [...this.begun].map(
      ([request, at]) => `${request.method()} ${request.url()}: no answer for ${Date.now() - at} ms`,
    );
    return [...open, ...this.failed.slice(-10)].join('\n');
  }
}

/** Most of a page that is shown of it, characters. */
const SHOWN = 4000;

/** What a page said when its test failed, and what it waited for. */
async function lastSeen(page: Page, calls: Calls): Promise<string> {
  const text = await page
    .locator('body')
    .ariaSnapshot({ timeout: 5000 })
    .catch((error: unknown) => String(error));
  const workers = page.workers().map((worker) => `worker ${worker.url()}`);
  return [`When it failed, ${page.url()} said:`, text.slice(0, SHOWN), ...workers, calls.said].join('\n');
}

/**
 * A test with a server of its worker's own, on a database of its own with the demo in it (`address()` says where), and with
 * a browser of its worker's own that keeps nothing from one test to the next.
 */
export const test = base.extend<object, { server: Instance; device: Device }>({
  server: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads what a fixture wants from the pattern.
    async ({}, use, { workerIndex }) => {
      started += 1;
      const server = new Instance(await freePort(), await demoDatabase(`worker_${workerIndex}_${started}`));
      await server.start();
      process.env['FINE_SPRAY_ADDRESS'] = server.address;
      await use(server);
      await server.kill();
    },
    { scope: 'worker', auto: true },
  ],
  device: [
    async ({ playwright }, use, { project }) => {
      const home = mkdtempSync(path.join(tmpdir(), 'fine-spray-device-'));
      const { launchOptions, viewport, hasTouch, serviceWorkers } = project.use;
      const context = await playwright.chromium.launchPersistentContext(home, {
        ...launchOptions,
        ...(viewport === undefined ? {} : { viewport }),
        ...(hasTouch === undefined ? {} : { hasTouch }),
        ...(serviceWorkers === undefined ? {} : { serviceWorkers }),
      });
      const [first = await context.newPage()] = context.pages();
      await use({ context, forgetting: await context.newCDPSession(first) });
      await context.close();
      rmSync(home, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  context: async ({ device, server }, use, info) => {
    const before = device.context.pages().length;
    const calls = new Calls(device.context);
    // Whatever a test does, nothing in a page may want what its content-security policy forbids.
    const refused: string[] = [];
    const hear = (message: ConsoleMessage) => {
      if (/content security policy/i.test(message.text())) refused.push(message.text());
    };
    device.context.on('console', hear);
    await use(device.context);
    device.context.off('console', hear);
    calls.end();
    // Of a test that failed where nobody can look, this is all there is.
    if (info.status !== info.expectedStatus)
      for (const page of device.context.pages().slice(before))
        process.stdout.write(`${await lastSeen(page, calls)}\n`);
    expect(refused).toEqual([]);
    await asNew(device, server.address, before);
  },
});

export { expect, type Page } from '@playwright/test';
