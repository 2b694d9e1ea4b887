import { randomUUID } from 'node:crypto';
import { ARCHIVE, RESOURCE_NAMES, archiveHead, me as meSchema } from '@fine-spray/contract';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { inCompany } from '../db/writing';
import { storeOf } from '../resources/store';
import { smallJpeg } from '../testing/jpeg';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

type Files = Record<string, Uint8Array>;
const archive = async () => {
  const response = await fetch(`${server.address}/api/company/archive`);
  expect(response.status).toBe(200);
  return new Uint8Array(await response.arrayBuffer());
};
const send = async (bytes: Uint8Array, as?: string) => {
  const query = as === undefined ? '' : `?as=${encodeURIComponent(as)}`;
  const response = await fetch(`${server.address}/api/companies/archive${query}`, {
    method: 'POST',
    headers: { 'Content-Type': ARCHIVE.type },
    body: Buffer.from(bytes),
  });
  return { status: response.status, body: (await response.json()) as { detail?: string } };
};
const changed = (bytes: Uint8Array, change: (files: Files) => void) => {
  const files = unzipSync(bytes);
  change(files);
  return zipSync(files);
};
const without = (bytes: Uint8Array, isIt: (name: string) => boolean) => {
  const files = Object.entries(unzipSync(bytes));
  const out = files.findIndex(([name]) => isIt(name));
  return zipSync(Object.fromEntries(files.filter((_file, index) => index !== out)));
};
const rewritten = (files: Files, name: string, change: (file: Record<string, unknown>) => void) => {
  const file = JSON.parse(strFromU8(files[name] ?? new Uint8Array())) as Record<string, unknown>;
  change(file);
  files[name] = strToU8(JSON.stringify(file));
};

/** All a company has stored, row by row, without what tells when and how often it was written. */
async function storedOf(companyId: string) {
  return inCompany(server.data.db, companyId, async (trx) => {
    const all: Record<string, unknown> = {};
    for (const resource of RESOURCE_NAMES) {
      const { items } = await storeOf(trx, resource).list(companyId);
      all[resource] = items
        .map(({ version: _version, createdAt: _made, updatedAt: _changed, ...row }) => row)
        .sort((a, b) => (a.id < b.id ? -1 : 1));
    }
    const { book } = await trx('company').where({ id: companyId }).first<{ book: unknown }>('book');
    const pictures = await trx('picture').where({ companyId }).orderBy('id').select('id', 'content');
    return { ...all, book, pictures };
  });
}
const rowsOf = (all: Record<string, unknown>, resource: string) => (all[resource] as object[]).length;
const answering = async () => meSchema.parse((await server.call('GET', '/api/me')).body).company;

describe('a company as one file', () => {
  it('goes out with all of it and comes in again, the same to the last row', async () => {
    const picture = await fetch(`${server.address}/api/pictures/${randomUUID()}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'image/jpeg' },
      body: Buffer.from(smallJpeg()),
    });
    expect(picture.status).toBe(200);
    const before = await answering();
    const bytes = await archive();
    const head = archiveHead.parse(JSON.parse(strFromU8(unzipSync(bytes)[ARCHIVE.head] ?? new Uint8Array())));
    const was = await storedOf(before.id);
    expect(head).toMatchObject({
      company: 'Millrace Decorating',
      holds: { jobs: 3, surfaces: rowsOf(was, 'surfaces'), entries: rowsOf(was, 'entries'), pictures: 1 },
      leftOut: [],
    });
    expect((await send(bytes, 'Millrace, moved')).status).toBe(200);
    const now = await answering();
    expect(now).toMatchObject({ name: 'Millrace, moved' });
    expect(now.id).not.toBe(before.id);
    expect(await storedOf(now.id)).toEqual(was);
    // Written again it is the same company, but for its name.
    const again = unzipSync(await archive());
    for (const [name, content] of Object.entries(unzipSync(bytes)))
      if (![ARCHIVE.head, ARCHIVE.kit].includes(name as never))
        expect([name, Buffer.from(again[name] ?? []).equals(content)]).toEqual([name, true]);
  });

  it('has jobs nobody writes for any more as old as they are', async () => {
    const { id: companyId } = await answering();
    const [{ count }] = (await inCompany(server.data.db, companyId, (trx) =>
      trx('entry').where({ companyId }).whereRaw('created_at > at::timestamptz').count('* as count'),
    )) as [{ count: string }];
    expect(Number(count)).toBe(0);
  });

  it('is refused where its name is taken, and nothing of it stays', async () => {
    const bytes = await archive();
    const companies = await server.call('GET', '/api/companies');
    const taken = await send(bytes);
    expect(taken).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('Give this one another name.') as string },
    });
    expect((await server.call('GET', '/api/companies')).body).toEqual(companies.body);
  });

  it('is taken in while others write, and by two at once only under two names', async () => {
    const bytes = await archive();
    const name = `Twice ${randomUUID()}`;
    const { items: hoses = [] } = (await server.call('GET', '/api/hoses')).body;
    const { createdAt: _made, updatedAt: _changed, id, ...hose } = hoses[0] ?? {};
    const writes = Promise.all(
      ['one', 'two', 'three'].map((note) =>
        server.call('PUT', `/api/hoses/${randomUUID()}`, { ...hose, name: note, version: 0 }),
      ),
    );
    const both = await Promise.all([send(bytes, name), send(bytes, name)]);
    expect(id).toBeDefined();
    expect((await writes).map(({ status }) => status)).toEqual([200, 200, 200]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 422]);
    const { items = [] } = (await server.call('GET', '/api/companies')).body;
    expect(items.filter((one) => one['name'] === name)).toHaveLength(1);
  });

  it.each<[string, RegExp, (bytes: Uint8Array) => Uint8Array]>([
    ['what is no ZIP', /no ZIP file/, () => strToU8('a company')],
    ['one cut off', /no ZIP file, or only a part/, (bytes) => bytes.slice(0, bytes.length / 2)],
    ['another ZIP', /company.json is missing/, () => zipSync({ 'a.txt': strToU8('a') })],
    ['one without its log', /log.json is missing/, (bytes) => without(bytes, (name) => name === ARCHIVE.log)],
    [
      'one that lacks a job',
      /holds 3 jobs, and 2 were found/,
      (bytes) => without(bytes, (name) => ARCHIVE.jobs.test(name)),
    ],
    [
      'one of a newer program',
      /version 2; this program reads up to version 1/,
      (bytes) => changed(bytes, (files) => rewritten(files, ARCHIVE.head, (head) => (head['version'] = 2))),
    ],
    [
      'one with a picture that is none',
      /not a JPEG picture/,
      (bytes) => changed(bytes, (files) => (files[`pictures/${randomUUID()}.jpg`] = strToU8('none'))),
    ],
    [
      'one nobody answers for',
      /Nobody in it is an owner/,
      (bytes) => changed(bytes, (files) => rewritten(files, ARCHIVE.kit, (kit) => (kit['people'] = []))),
    ],
    [
      'one with a wrong number deep in it',
      /kit.json: /,
      (bytes) =>
        changed(bytes, (files) =>
          rewritten(files, ARCHIVE.kit, (kit) => {
            kit['hoses'] = (kit['hoses'] as object[]).map((hose) => ({ ...hose, length: -1 }));
          }),
        ),
    ],
    [
      'one whose surface names a coating that is not in it',
      /coating/,
      (bytes) =>
        changed(bytes, (files) => {
          const name = Object.keys(files).find((one) => ARCHIVE.jobs.test(one)) ?? '';
          rewritten(files, name, (job) => {
            job['surfaces'] = (job['surfaces'] as object[]).map((one) => ({
              ...one,
              coatingId: randomUUID(),
            }));
          });
        }),
    ],
  ])('is refused with a sentence: %s', async (_what, sentence, change) => {
    const companies = (await server.call('GET', '/api/companies')).body;
    const answer = await send(change(await archive()), `Try ${randomUUID()}`);
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(sentence);
    expect((await server.call('GET', '/api/companies')).body).toEqual(companies);
  });

  it('leaves out what nobody can read, and says what', async () => {
    const { id: companyId } = await answering();
    const hose = await server.db('hose').where({ companyId }).first<{ id: string }>('id');
    await server.db('hose').where({ companyId, id: hose.id }).update({ name: '' });
    const head = archiveHead.parse(
      JSON.parse(strFromU8(unzipSync(await archive())[ARCHIVE.head] ?? new Uint8Array())),
    );
    expect(head.leftOut).toEqual([
      { resource: 'hoses', id: hose.id, name: 'A hose', why: expect.any(String) as string },
    ]);
  });
});

describe('where people sign in', () => {
  it('an archive is for owners, and taken in by whoever looks after the server', async () => {
    const guarded = await startTestServer({ signIn: true });
    try {
      expect((await fetch(`${guarded.address}/api/company/archive`)).status).toBe(401);
      const posted = await fetch(`${guarded.address}/api/companies/archive`, {
        method: 'POST',
        headers: { 'Content-Type': ARCHIVE.type },
        body: Buffer.from(await archive()),
      });
      expect([401, 403]).toContain(posted.status);
    } finally {
      await guarded.stop();
    }
  });
});
