import { readdirSync } from 'node:fs';
import path from 'node:path';
import { RESOURCES, RESOURCE_NAMES } from '@fine-spray/contract';
import { startTestServer } from '../testing/server';
import { MIGRATIONS } from './database';

/** A dump of the demo as each earlier version of the program left it, named by its newest migration. */
const EARLIER = path.join(__dirname, 'earlier');
const dumps = readdirSync(EARLIER).sort();
const NEWEST = Object.keys(MIGRATIONS).length;

it('every version but this one has its dump', () => {
  expect(dumps).toEqual(
    Object.keys(MIGRATIONS)
      .slice(0, NEWEST - 1)
      .map((name) => `${name}.dump`),
  );
});

it.each(dumps)('what %s had is all there in this version, and can be read and changed', async (dump) => {
  const server = await startTestServer({ restored: path.join(EARLIER, dump) });
  try {
    const jobs = (await server.call('GET', '/api/jobs')).body.items ?? [];
    expect(jobs.map(({ name, surfaceCount }) => [name, surfaceCount])).toEqual([
      // Primers were surfaces of their own until then; from 016 on its rooms are measured wall by wall.
      ['Tern Boathouse', dump < '013' ? 41 : dump < '016' ? 39 : 38],
      ['Kiln House, ground floor', 9],
      ['Orchard Row 3', 9],
    ]);
    for (const name of RESOURCE_NAMES) {
      const { path: at, ofJob, table } = RESOURCES[name];
      const lists = ofJob ? jobs.map(({ id }) => `/api/jobs/${String(id)}/${at}`) : [`/api/${at}`];
      const answers = await Promise.all(lists.map((url) => server.call('GET', url)));
      expect(answers.flatMap(({ body }) => body['unreadable'])).toEqual([]);
      const [row] = await server.db(table).count<{ count: string }[]>('* as count');
      expect(answers.flatMap(({ body }) => body.items ?? []).length).toBe(Number(row?.count));
    }
    const {
      id,
      version,
      createdAt: _made,
      updatedAt: _changed,
      surfaceCount: _count,
      ...content
    } = jobs[0] ?? {};
    const url = `/api/jobs/${String(id)}`;
    expect((await server.call('PUT', url, { ...content, note: 'Changed', version })).status).toBe(200);
  } finally {
    await server.stop();
  }
});
