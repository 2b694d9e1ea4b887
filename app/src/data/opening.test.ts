import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { BatchWrite } from '@fine-spray/contract';
import { waitFor } from '@testing-library/react-native';
import type * as Api from './api';
import type * as Device from './device';
import type * as Opening from './opening';
import type * as Plans from './plans';

const JOB = { id: 'j', name: 'Tern Boathouse' };

/** The module of a page that was just opened, on a device that answers as told. */
function pageOn(queries: () => Promise<readonly unknown[]>): typeof Opening {
  jest.resetModules();
  const { device } = jest.requireActual<typeof Device>('./device');
  jest.spyOn(device, 'queries').mockImplementation(queries as typeof device.queries);
  return jest.requireActual<typeof Opening>('./opening');
}

/** Makes a job in the page that was opened last; the server does not answer. */
async function makeJob(): Promise<void> {
  const { plans } = jest.requireActual<typeof Plans>('./plans');
  const { Unreachable } = jest.requireActual<typeof Api>('./api');
  const made = { resource: 'jobs', id: 'made here', content: { name: 'New job', version: 0 } };
  await plans.write(
    [made as unknown as BatchWrite],
    () => undefined,
    () => Promise.reject(new Unreachable()),
  );
}

const jobsOf = ({ pageClient }: typeof Opening) =>
  (pageClient.getQueryData(['jobs']) as { name: string }[]).map(({ name }) => name);

describe('the opening of a page', () => {
  // Another device.
  beforeEach(() => void (globalThis.indexedDB = new IDBFactory()));

  it('waits for the rows this device last saw', async () => {
    const page = pageOn(() => Promise.resolve([{ key: ['jobs'], data: [JOB], updatedAt: 5 }]));
    expect(page.hasOpened()).toBe(false);
    await page.opened();
    expect(page.hasOpened()).toBe(true);
    expect(page.pageClient.getQueryData(['jobs'])).toEqual([JOB]);
  });

  it('does not wait for a device that does not answer, and takes the rows when they come', async () => {
    let answer: (rows: readonly unknown[]) => void = () => undefined;
    const page = pageOn(() => new Promise((resolve) => (answer = resolve)));
    await page.opened();
    expect(page.hasOpened()).toBe(false);
    answer([{ key: ['jobs'], data: [JOB], updatedAt: 5 }]);
    await page.opening;
    expect(page.hasOpened()).toBe(true);
    expect(page.pageClient.getQueryData(['jobs'])).toEqual([JOB]);
  });

  it('puts over a list what waits on this device, where the list was kept a moment before', async () => {
    const before = pageOn(() => Promise.resolve([]));
    await before.opening;
    await makeJob();
    const page = pageOn(() => Promise.resolve([{ key: ['jobs'], data: [JOB], updatedAt: 5 }]));
    await page.opening;
    await waitFor(() => expect(jobsOf(page)).toEqual(['Tern Boathouse', 'New job']));
  });

  it('has in its lists what is written before the rest of the program is here', async () => {
    const page = pageOn(() => Promise.resolve([{ key: ['jobs'], data: [JOB], updatedAt: 5 }]));
    await page.opening;
    await makeJob();
    expect(jobsOf(page)).toEqual(['Tern Boathouse', 'New job']);
  });

  it('goes on without them where the device keeps nothing', async () => {
    const page = pageOn(() => Promise.reject(new Error('forbidden')));
    await page.opened();
    expect(page.hasOpened()).toBe(true);
    expect(page.pageClient.getQueryData(['jobs'])).toBeUndefined();
  });
});
