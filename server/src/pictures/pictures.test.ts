import { PICTURE, schemaOf } from '@fine-spray/contract';
import { startTestServer, type TestServer } from '../testing/server';
import { smallJpeg } from '../testing/jpeg';
import { inCompany } from '../db/writing';
import { readPdf } from '../testing/pdf';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const ID = '0193aaaa-0000-7000-8000-000000000001';
const put = (id: string, body: Uint8Array, type: string = PICTURE.type) =>
  fetch(`${server.address}/api/pictures/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': type },
    body: Buffer.from(body),
  });
const problem = async (answer: Response) => (await answer.json()) as { detail: string };

describe('pictures of the log', () => {
  it('are stored once under their id, and given as they came', async () => {
    const first = await put(ID, smallJpeg());
    expect(first.status).toBe(200);
    expect(await first.json()).toEqual({ id: ID, bytes: smallJpeg().length, width: 16, height: 16 });
    expect((await put(ID, smallJpeg())).status).toBe(200);
    const other = await put(ID, Buffer.concat([smallJpeg(), Buffer.from([0])]));
    expect(other.status).toBe(409);
    expect((await problem(other)).detail).toMatch(/another picture/);
    const got = await fetch(`${server.address}/api/pictures/${ID}`);
    expect(got.headers.get('Content-Type')).toBe(PICTURE.type);
    expect(got.headers.get('Cache-Control')).toMatch(/immutable/);
    expect(got.headers.get('X-Content-Type-Options')).toBe('nosniff');
    expect(Buffer.from(await got.arrayBuffer()).equals(Buffer.from(smallJpeg()))).toBe(true);
  });

  it('are refused where they are none, too large, of another type, or say where they were taken', async () => {
    const next = '0193aaaa-0000-7000-8000-000000000002';
    const answers = await Promise.all([
      put(next, Buffer.from('<svg/>')),
      put(next, Buffer.alloc(PICTURE.most + 1, 1)),
      put(next, smallJpeg(), 'image/svg+xml'),
      put(next, Buffer.from('{}'), 'application/json'),
      put(next, smallJpeg({ tellsPlace: true })),
      put('no-id', smallJpeg()),
    ]);
    expect(answers.map(({ status }) => status)).toEqual([422, 413, 415, 415, 422, 404]);
    expect((await problem(answers[4])).detail).toMatch(/where it was taken/);
    const missing = await fetch(`${server.address}/api/pictures/${next}`);
    expect(missing.status).toBe(404);
    expect((await problem(missing)).detail).toMatch(/not sent it yet/);
  });

  it('are the company’s own: the database shows them to no other', async () => {
    const rows = (of: string) =>
      inCompany(server.data.db, of, (trx) => trx('picture').select<{ id: string }[]>('id'));
    const [mine] = await server.db('company').select<{ id: string }[]>('id');
    expect((await rows(mine?.id ?? '')).length).toBeGreaterThan(0);
    expect(await rows('0193bbbb-0000-7000-8000-000000000009')).toEqual([]);
  });

  it('stand on the paper of their day, and one that has not come is said to be missing', async () => {
    const at = '2026-11-30T09:00:00.000Z';
    const entry = (id: string, kind: 'note' | 'picture', payload: object) => ({
      ...{ id, kind, schema: schemaOf(kind), at, author: 'TO', jobId: null, surfaceId: null, replaces: null },
      payload,
    });
    const note = '0193aaaa-0000-7000-8000-0000000000a0';
    const picture = (id: string, pictureId: string, words: string) =>
      entry(id, 'picture', { pictureId, of: note, words, width: 16, height: 16, bytes: 600 });
    const sent = await server.call('POST', '/api/entries', {
      entries: [
        entry(note, 'note', { text: 'Sag below the window' }),
        picture('0193aaaa-0000-7000-8000-0000000000a1', ID, 'The sag from the left'),
        picture(
          '0193aaaa-0000-7000-8000-0000000000a2',
          '0193aaaa-0000-7000-8000-000000000003',
          'Not here yet',
        ),
      ],
    });
    expect(sent.status).toBe(200);
    const sheet = await fetch(`${server.address}/api/log/days/2026-11-30?zone=UTC`);
    const file = new Uint8Array(await sheet.arrayBuffer());
    const text = (await readPdf(file)).pages.join(' ').replace(/\s+/g, ' ');
    expect(text).toMatch(/Pictures .*09:00 .*The sag from the left/);
    expect(text).toMatch(/1 picture of this day is still on the device that took it/);
    expect(Buffer.from(file).includes('/Subtype /Image')).toBe(true);
  });
});
