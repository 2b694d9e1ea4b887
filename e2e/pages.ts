import { expect, type Page } from '@playwright/test';

export const address = (): string => process.env['FINE_SPRAY_ADDRESS'] ?? '';

export interface Listed {
  readonly id: string;
  readonly name: string;
}

export async function items<Row = Listed>(path: string): Promise<Row[]> {
  const response = await fetch(`${address()}${path}`);
  return ((await response.json()) as { items: Row[] }).items;
}

/** Address of a demo job, and of one of its surfaces by name. */
export async function demoJob(name = 'Tern Boathouse'): Promise<string> {
  const job = (await items('/api/jobs')).find((one) => one.name === name);
  if (!job) throw new Error(`no job ${name}`);
  return `/jobs/${job.id}`;
}

export async function demoSurface(name: string, of?: string): Promise<string> {
  const job = await demoJob(of);
  const surface = (await items(`/api${job}/surfaces`)).find((one) => one.name === name);
  if (!surface) throw new Error(`no surface ${name}`);
  return `${job}/surfaces/${surface.id}`;
}

export async function demoPlace(name: string): Promise<string> {
  const job = await demoJob();
  const place = (await items(`/api${job}/places`)).find((one) => one.name === name);
  if (!place) throw new Error(`no place ${name}`);
  return `${job}/places/${place.id}`;
}

const SERVERS = new Set(['id', 'version', 'createdAt', 'updatedAt', 'surfaceCount']);

/** What a write takes of a stored row. */
export const contentOf = (row: object) =>
  Object.fromEntries(Object.entries(row).filter(([field]) => !SERVERS.has(field)));

/** A copy of a demo job for a test of its own, named so: others work on those of the demo. */
export async function ownJob(name: string, of = 'Kiln House, ground floor'): Promise<string> {
  const from = await demoJob(of);
  const put = async (resource: string, row: object) => {
    const id = crypto.randomUUID();
    const answer = await fetch(`${address()}/api/${resource}/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...contentOf(row), version: 0 }),
    });
    if (!answer.ok) throw new Error(`${resource}: ${await answer.text()}`);
    return id;
  };
  const job = (await (await fetch(`${address()}/api${from}`)).json()) as object;
  const jobId = await put('jobs', { ...job, name });
  for (const surface of await items<object>(`/api${from}/surfaces`))
    await put('surfaces', { ...surface, jobId, placeId: null, part: '' });
  return `/jobs/${jobId}`;
}

/** Address of an offer of a demo job, by how it stands with it. */
export async function demoOffer(of: string, state: string): Promise<string> {
  const job = await demoJob(of);
  const offers = await items<{ readonly id: string; readonly state: string }>(`/api${job}/offers`);
  const offer = offers.find((one) => one.state === state);
  if (!offer) throw new Error(`no ${state} offer of ${of}`);
  return `${job}/offers/${offer.id}`;
}

/** From the list of jobs, makes one with a name. */
export async function newJob(page: Page, name = 'New job'): Promise<void> {
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('What the job is called').fill(name);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}$/);
}

/** What is wanted of a job now and then. */
export async function more(page: Page, what: string): Promise<void> {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: what, exact: true }).click();
}

/** Makes a job through the interface and begins to measure a room in it. */
export async function beginRoom(page: Page, name: string): Promise<void> {
  await page.goto(`${address()}/`);
  await newJob(page);
  await page.getByRole('button', { name: 'Measure a room' }).click();
  await expect(page).toHaveURL(/\/places\/[0-9a-f-]{36}$/);
  await page.getByLabel('Name', { exact: true }).fill(name);
}

/** Makes a job with one wall through the interface and ends on the wall's screen. */
export async function makeWall(page: Page): Promise<void> {
  await page.goto(`${address()}/`);
  await newJob(page);
  await page.getByRole('button', { name: 'Add a single surface' }).click();
  await expect(page).toHaveURL(/\/surfaces\/[0-9a-f-]{36}$/);
  await expect(page.getByTestId('setup-card')).toBeVisible();
}

/** Opens a question of a set-up, where it is not open: what is sprayed, with what, by which machine. */
export async function openQuestion(page: Page, question: 'what' | 'with' | 'machine'): Promise<void> {
  const chip = page.getByTestId(`question-${question}`);
  await expect(chip).toBeVisible();
  if ((await chip.getAttribute('aria-expanded')) !== 'true') await chip.click();
}

export async function stored(page: Page): Promise<void> {
  await expect(page.getByTestId('save-state')).toHaveText('Stored on the server');
}

/** Chooses from the list a "Choice" field opens. */
export async function choose(page: Page, field: string, option: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${field}: `) }).click();
  await page.getByRole('radio', { name: option }).click();
}

/** Deletes a row of the API as it stands. */
export async function forget(path: string): Promise<void> {
  const url = `${address()}${path}`;
  const { version } = (await (await fetch(url)).json()) as { version: number };
  await fetch(`${url}?version=${version}`, { method: 'DELETE' });
}

/** What the log says of a surface, written as another device would. */
export async function writeEntry(
  of: { readonly jobId: string; readonly surfaceId: string },
  kind: string,
  schema: number,
  at: number,
  payload: object,
): Promise<void> {
  const answer = await fetch(`${address()}/api/entries/${crypto.randomUUID()}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({
      ...{ kind, schema, at: new Date(at).toISOString(), author: 'TO', ...of },
      ...{ replaces: null, payload, version: 0 },
    }),
  });
  if (!answer.ok) throw new Error(`${kind}: ${await answer.text()}`);
}

/** A ceiling of a job, as the log names its coats. */
export async function ceilingOf(job: string) {
  const rows = await items<{
    id: string;
    name: string;
    room: string;
    element: string;
    coatingId: string;
    coats: number;
  }>(`/api${job}/surfaces`);
  const row = rows.find(({ element }) => element === 'ceiling');
  if (!row) throw new Error('no ceiling');
  const finished = {
    ...{ coatingId: row.coatingId, element: 'ceiling', side: 'inside', kind: 'smooth-board', wind: 'calm' },
    trueArea: 12,
    weather: { source: 'by hand', air: 293, surface: 292, humidity: 0.5, wind: null, rain: null },
  };
  return { row, finished, of: { jobId: job.split('/').pop() ?? '', surfaceId: row.id } };
}
