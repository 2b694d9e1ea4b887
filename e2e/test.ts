import { test as base } from '@playwright/test';
import pg from 'pg';
import { freePort } from './fine-spray';
import { Instance } from './instance';

/** A copy of the database with the demo in it. */
async function demoDatabase(name: string): Promise<string> {
  const template = new URL(process.env['FINE_SPRAY_TEMPLATE'] ?? '');
  const admin = new URL(template);
  admin.pathname = '/postgres';
  const client = new pg.Client({ connectionString: admin.href });
  await client.connect();
  await client.query(`create database ${name} template ${template.pathname.slice(1)}`);
  await client.end();
  template.pathname = `/${name}`;
  return template.href;
}

let started = 0;

/** A test with a server of its worker's own, on a database of its own with the demo in it: `address()` says where. */
export const test = base.extend<object, { server: Instance }>({
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
});

export { expect, type Page } from '@playwright/test';
