import 'fake-indexeddb/auto';
import type { BatchWrite } from '@fine-spray/contract';
import { IDBFactory } from 'fake-indexeddb';
import { playStorage } from '@/testing/deviceStorage';
import { Refused, Unreachable } from './api';
import { Device } from './device';
import { Plans, type PlanRow } from './plans';
import { reach } from './reach';

type Row = PlanRow;

/** A server with rows and versions, as ours has them: a batch is done whole or not at all. */
class Server {
  rows = new Map<string, Row>();
  gone = new Map<string, number>();
  away = false;
  /** It answers for another company now. */
  other = false;
  batches = 0;

  put(id: string, fields: object): void {
    const version = (this.rows.get(id)?.version ?? this.gone.get(id) ?? 0) + 1;
    this.rows.set(id, { ...fields, id, version });
  }

  delete(id: string): void {
    this.gone.set(id, (this.rows.get(id)?.version ?? 0) + 1);
    this.rows.delete(id);
  }

  /** From now on the same content again changes nothing, as our server does it. */
  sameAgain(): void {
    const answer = this.answer.bind(this);
    this.answer = (writes) =>
      writes.every(({ id, content }) => this.rows.get(id)?.['name'] === (content as unknown as Row)['name'])
        ? { status: 200, body: { rows: writes.map(({ id }) => this.rows.get(id)) } }
        : answer(writes);
  }

  answer(writes: readonly BatchWrite[]): { status: number; body: unknown } {
    this.batches += 1;
    if (this.other) {
      const { status, body } = problem(409, 'Another company.');
      return { status, body: { ...body, type: 'urn:fine-spray:problem:other-company' } };
    }
    const before = [new Map(this.rows), new Map(this.gone)] as const;
    const rows: (Row | null)[] = [];
    for (const { id, content, ...rest } of writes) {
      const row = this.rows.get(id);
      const version = content === null ? (rest as { version: number }).version : (content as Row).version;
      const there = row?.version ?? this.gone.get(id) ?? 0;
      if (content !== null && (content as unknown as { name: string }).name === 'unfit') {
        [this.rows, this.gone] = before;
        return problem(422, 'Not like that.');
      }
      if (version !== there) {
        [this.rows, this.gone] = before;
        return problem(
          409,
          'Changed elsewhere.',
          row ?? { id, version: there, deletedAt: '2026-11-01T00:00:00.000Z' },
        );
      }
      if (content === null) this.delete(id);
      else this.put(id, Object.fromEntries(Object.entries(content).filter(([field]) => field !== 'version')));
      rows.push(this.rows.get(id) ?? null);
    }
    return { status: 200, body: { rows } };
  }
}

const problem = (status: number, detail: string, current?: unknown) => ({
  status,
  body: { type: 'x', title: 'x', status, detail, errors: [], ...(current ? { current } : {}) },
});

let server: Server;
const pages: Plans[] = [];
const original = globalThis.fetch;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  playStorage();
  reach.answered(null);
  server = new Server();
  globalThis.fetch = ((url: string, { method, body }: { method: string; body: string }) => {
    if (server.away) return Promise.reject(new Error('away'));
    if (method === 'GET') {
      const row = server.rows.get(url.split('/').pop() ?? '');
      const { status, body: said } = row ? { status: 200, body: row } : problem(404, 'Not there.');
      return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(said) });
    }
    const { status, body: said } = server.answer((JSON.parse(body) as { writes: BatchWrite[] }).writes);
    return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(said) });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  pages.splice(0).forEach((page) => page.close());
  globalThis.fetch = original;
});

/** A page on the device, with the rows it was last given by the server. */
class Page {
  readonly plans = new Plans(new Device());
  seen: readonly Row[] = [...server.rows.values()];
  constructor() {
    pages.push(this.plans);
    // What is shown stays on screen until the server is asked again.
    this.plans.onChanged = () => (this.seen = this.rows);
    this.plans.onTruth = (_of, id, row) =>
      (this.seen = [...this.seen.filter((one) => one.id !== id), ...(row ? [row] : [])]);
  }
  get rows(): readonly Row[] {
    return this.plans.over('jobs', this.seen) as readonly Row[];
  }
  row(id: string): Row | undefined {
    return this.rows.find((one) => one.id === id);
  }
  private async do(...writes: BatchWrite[]) {
    return this.plans.write(
      writes,
      ({ id }) => this.row(id),
      (now) => {
        const { status, body } = server.away ? { status: 0, body: undefined } : server.answer(now);
        if (status === 0) {
          reach.failed();
          throw new Unreachable();
        }
        if (status !== 200) throw new Refused(body as never);
        this.seen = [...server.rows.values()];
        return Promise.resolve((body as { rows: Row[] }).rows);
      },
    );
  }
  name(id: string, name: string, more: object = {}) {
    const version = this.row(id)?.version ?? 0;
    return this.do({ resource: 'jobs', id, content: { name, ...more, version } } as unknown as BatchWrite);
  }
  /** Names a row as a screen that stays open does: each time over the version it was given back. */
  draft(id: string): (name: string) => Promise<void> {
    let version = this.row(id)?.version ?? 0;
    return async (name) => {
      const [row] = await this.do({
        resource: 'jobs',
        id,
        content: { name, version },
      } as unknown as BatchWrite);
      version = row?.version ?? version;
    };
  }
  delete(id: string) {
    return this.do({ resource: 'jobs', id, content: null, version: this.row(id)?.version ?? 1 });
  }
  together(...names: (readonly [string, string])[]) {
    return this.do(
      ...names.map(
        ([id, name]) =>
          ({
            resource: 'jobs',
            id,
            content: { name, version: this.row(id)?.version ?? 0 },
          }) as unknown as BatchWrite,
      ),
    );
  }
  async back(): Promise<void> {
    server.away = false;
    reach.answered(null);
    await this.plans.send();
  }
  get waiting() {
    return this.plans.current().map(({ writes, refused }) => ({ ids: writes.map(({ id }) => id), refused }));
  }
}

const names = () => Object.fromEntries([...server.rows.values()].map(({ id, name }) => [id, name]));

describe('plans while the server is away', () => {
  it('wait with their company where the server answers for another: nothing is held against them', async () => {
    server.put('a', { name: 'House' });
    const page = new Page();
    server.away = true;
    await page.name('a', 'Our house');
    server.other = true;
    await page.back();
    expect(page.waiting).toEqual([{ ids: ['a'], refused: undefined }]);
    expect(page.row('a')?.['name']).toBe('Our house');
    server.other = false;
    await page.back();
    expect(page.waiting).toEqual([]);
    expect(names()).toEqual({ a: 'Our house' });
  });

  it('go there at once while it is reached', async () => {
    const page = new Page();
    await page.name('a', 'One');
    expect([names(), page.waiting]).toEqual([{ a: 'One' }, []]);
  });

  it('wait here, are shown as done, and go up in their order on the versions they were made on', async () => {
    server.put('a', { name: 'Old' });
    server.put('b', { name: 'To go' });
    const page = new Page();
    server.away = true;
    await page.name('a', 'New');
    await page.name('c', 'Made here');
    await page.delete('b');
    await page.together(['c', 'Made here, again'], ['d', 'With it']);
    expect(page.rows.map(({ name }) => name)).toEqual(['New', 'Made here, again', 'With it']);
    expect([names(), page.plans.madeHere('c'), page.plans.waitsFor('b')]).toEqual([
      { a: 'Old', b: 'To go' },
      true,
      true,
    ]);
    await page.back();
    expect([names(), page.waiting]).toEqual([{ a: 'New', c: 'Made here, again', d: 'With it' }, []]);
    // And everything that comes right after is on the version the server has.
    await page.name('a', 'Newer');
    page.seen = [...server.rows.values()];
    await page.name('c', 'Again');
    expect(names()).toMatchObject({ a: 'Newer', c: 'Again' });
  });

  it('of one row typed on are one change; nothing is kept where nothing changes', async () => {
    server.put('a', { name: 'Old' });
    const page = new Page();
    server.away = true;
    for (const name of ['N', 'Ne', 'New']) await page.name('a', name);
    await page.name('a', 'New');
    expect(page.waiting.length).toBe(1);
    await page.back();
    expect(server.rows.get('a')).toMatchObject({ name: 'New', version: 2 });
  });

  it('typed on are on the version that goes up, for a draft that stays open before, while and after it does', async () => {
    server.put('a', { name: 'Old' });
    const page = new Page();
    const draft = page.draft('a');
    server.away = true;
    for (const name of ['N', 'Ne', 'New']) await draft(name);
    const real = globalThis.fetch;
    globalThis.fetch = async (...args: Parameters<typeof fetch>) => {
      const answer = await real(...args);
      // Typed while the first is on its way.
      globalThis.fetch = real;
      await draft('Newer');
      return answer;
    };
    await page.back();
    expect([page.waiting, server.rows.get('a')]).toEqual([[], { id: 'a', name: 'Newer', version: 3 }]);
    page.seen = [...server.rows.values()];
    await draft('Newest');
    expect([page.waiting, server.rows.get('a')]).toEqual([[], { id: 'a', name: 'Newest', version: 4 }]);
  });

  it('typed on after the answer was lost clash with nothing: what was tried stays as it was', async () => {
    server.put('a', { name: 'Old' });
    const page = new Page();
    const draft = page.draft('a');
    server.away = true;
    await draft('New');
    server.away = false;
    const real = globalThis.fetch;
    globalThis.fetch = async (...args: Parameters<typeof fetch>) => {
      await real(...args);
      throw new Error('the line broke');
    };
    await page.plans.send();
    globalThis.fetch = real;
    reach.failed();
    await draft('Newer');
    server.sameAgain();
    await page.back();
    expect([page.waiting, server.rows.get('a')]).toEqual([[], { id: 'a', name: 'Newer', version: 3 }]);
  });

  it('that were taken back before they were sent leave the row as it was, and what is written next is on that', async () => {
    server.put('a', { name: 'Old' });
    const page = new Page();
    server.away = true;
    await page.name('a', 'New');
    await page.name('a', 'Old');
    const row = page.row('a');
    server.sameAgain();
    await page.back();
    expect([row?.version, server.rows.get('a')?.version]).toEqual([2, 1]);
    // A draft that stayed open goes on from what it was told.
    await page.name('a', 'Newer');
    expect(server.rows.get('a')).toEqual({ id: 'a', name: 'Newer', version: 2 });
  });

  it('outlive the page: the next one shows and sends them', async () => {
    server.put('a', { name: 'Old' });
    server.away = true;
    await new Page().name('a', 'Typed before the phone died');
    const next = new Page();
    await next.plans.start();
    expect(next.row('a')?.['name']).toBe('Typed before the phone died');
    await next.back();
    expect(names()).toEqual({ a: 'Typed before the phone died' });
  });

  it('are sent once, though the answer was lost', async () => {
    server.put('a', { name: 'Old' });
    const page = new Page();
    server.away = true;
    await page.name('a', 'New');
    server.away = false;
    const lost = globalThis.fetch;
    globalThis.fetch = async (...args: Parameters<typeof fetch>) => {
      await lost(...args);
      throw new Error('the line broke');
    };
    await page.plans.send();
    globalThis.fetch = lost;
    server.sameAgain();
    await page.plans.send();
    expect([server.rows.get('a')?.version, page.waiting]).toEqual([2, []]);
  });
});

describe('plans that clash', () => {
  /** Somebody changed `a` here without the server, and somebody else meanwhile. */
  async function clash(elsewhere: () => void): Promise<Page> {
    server.put('a', { name: 'Old' });
    server.put('b', { name: 'Other' });
    const page = new Page();
    server.away = true;
    await page.name('a', 'Mine');
    await page.name('b', 'Not in the way');
    await page.name('a', 'Mine, later');
    elsewhere();
    await page.back();
    return page;
  }

  it('stay here with both sides; what stands on them waits, the rest goes up', async () => {
    const page = await clash(() => server.put('a', { name: 'Theirs' }));
    expect(names()).toEqual({ a: 'Theirs', b: 'Not in the way' });
    expect(page.waiting).toEqual([
      { ids: ['a'], refused: 'Changed elsewhere.' },
      { ids: ['a'], refused: undefined },
    ]);
    expect(page.plans.current()[0]?.theirs).toMatchObject({ name: 'Theirs', version: 2 });
    // What was written here is still what is shown.
    page.seen = [...server.rows.values()];
    expect(page.row('a')?.['name']).toBe('Mine, later');
  });

  it('are mine when I say so, with all I wrote since', async () => {
    const page = await clash(() => server.put('a', { name: 'Theirs' }));
    await page.plans.keepMine(page.plans.current()[0]?.key ?? '');
    expect([names(), page.waiting]).toEqual([{ a: 'Mine, later', b: 'Not in the way' }, []]);
  });

  it('are theirs when I say so', async () => {
    const page = await clash(() => server.put('a', { name: 'Theirs' }));
    // The screen shows mine until then, and theirs at once.
    expect(page.row('a')?.['name']).toBe('Mine, later');
    await page.plans.letGo(page.plans.current()[0]?.key ?? '');
    expect([names(), page.waiting, page.row('a')?.['name']]).toEqual([
      { a: 'Theirs', b: 'Not in the way' },
      [],
      'Theirs',
    ]);
  });

  it('with a row that was deleted bring it back, or let it go', async () => {
    const page = await clash(() => server.delete('a'));
    expect(page.waiting[0]?.refused).toBe('Changed elsewhere.');
    await page.plans.keepMine(page.plans.current()[0]?.key ?? '');
    expect(names()).toEqual({ a: 'Mine, later', b: 'Not in the way' });
  });

  it('or cannot be taken for another reason are kept with it, and what needs them waits', async () => {
    const page = new Page();
    server.away = true;
    await page.name('job', 'unfit');
    await page.name('surface', 'On it', { jobId: 'job' });
    await page.name('other', 'Elsewhere');
    await page.back();
    expect(names()).toEqual({ other: 'Elsewhere' });
    expect(page.waiting).toEqual([
      { ids: ['job'], refused: 'Not like that.' },
      { ids: ['surface'], refused: undefined },
    ]);
  });

  it('together are all kept back: nothing is stored by half', async () => {
    server.put('a', { name: 'Old' });
    const page = new Page();
    server.away = true;
    await page.together(['a', 'Mine'], ['n', 'New with it']);
    server.put('a', { name: 'Theirs' });
    await page.back();
    expect(names()).toEqual({ a: 'Theirs' });
    await page.plans.keepMine(page.plans.current()[0]?.key ?? '');
    expect(names()).toEqual({ a: 'Mine', n: 'New with it' });
  });
});

it('a device that keeps nothing says that nothing was stored', async () => {
  const page = new Page();
  jest.spyOn(Device.prototype, 'keepPlan').mockRejectedValueOnce(new Error('full'));
  server.away = true;
  await expect(page.name('a', 'One')).rejects.toThrow(/does not answer/);
  expect(page.waiting).toEqual([]);
});
