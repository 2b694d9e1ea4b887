import type { Entry, OldJob } from '@fine-spray/contract';

/** A note, or what else is said of it. */
export const entry = (id: string, more: Partial<Entry> = {}): Entry => ({
  ...{ id, kind: 'note', schema: 1, at: '2026-11-20T08:00:00.000Z', author: 'AB' },
  ...{ jobId: null, surfaceId: null, replaces: null, payload: { text: id } },
  ...{ version: 1, createdAt: '2026-11-20T08:00:01.000Z', updatedAt: '2026-11-20T08:00:01.000Z' },
  clockSkew: 0,
  ...more,
});

/** A server with a log, whose cursor is how many changes there have been. */
export class LogServer {
  changes: object[] = [];
  entries: Entry[] = [];
  asked: string[] = [];
  era = 'a';
  sent: string[] = [];
  away = false;
  /** Rows of one page. */
  page = 2;
  /** Jobs nobody works on any more. */
  old: OldJob[] = [];

  write(...rows: Entry[]): void {
    this.entries.push(...rows);
    this.changes.push(...rows.map((row) => ({ resource: 'entries', id: row.id, row })));
  }

  /** Puts itself in place of the network. */
  listen(): void {
    globalThis.fetch = ((url: string, init?: { body?: string }) => {
      if (this.away) return Promise.reject(new TypeError('no network'));
      const { status, body } = this.answer(url, init?.body);
      return Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) });
    }) as unknown as typeof fetch;
  }

  answer(url: string, body: string | undefined): { status: number; body: unknown } {
    this.asked.push(url);
    const { pathname, searchParams } = new URL(url, 'http://here');
    if (pathname === '/api/me') return { status: 200, body: { company: { id: 'ours' } } };
    if (pathname === '/api/changes') return this.since(searchParams.get('since') ?? '');
    if (body !== undefined) {
      const { entries } = JSON.parse(body) as { entries: Entry[] };
      this.sent.push(...entries.map(({ id }) => id));
      this.write(...entries.map(({ id }) => entry(id)));
      return { status: 200, body: { results: entries.map(({ id }) => ({ id, row: entry(id) })) } };
    }
    if (pathname === '/api/log/old-jobs') return { status: 200, body: { items: this.old, next: null } };
    if (pathname === '/api/log/jobs') {
      const jobs = new Set(this.entries.flatMap(({ jobId }) => jobId ?? []));
      return { status: 200, body: { items: [...jobs].map((jobId) => ({ jobId })) } };
    }
    const one = /^\/api\/entries\/(.+)$/.exec(pathname)?.[1];
    if (one !== undefined) {
      const found = this.entries.find(({ id }) => id === one);
      const problem = { type: 'x', title: 'x', status: 404, detail: 'Not here.', errors: [] };
      return found ? { status: 200, body: found } : { status: 404, body: problem };
    }
    const job = searchParams.get('job');
    const last = this.entries.filter(({ jobId }) => job === null || (jobId ?? 'none') === job).reverse();
    const from = Number(searchParams.get('before') ?? 0);
    const next = from + this.page < last.length ? String(from + this.page) : null;
    return { status: 200, body: { items: last.slice(from, from + this.page), unreadable: [], next } };
  }

  private since(since: string): { status: number; body: unknown } {
    const cursor = (at: number) => `${this.era} ${at}`;
    if (since === 'now')
      return { status: 200, body: { items: [], cursor: cursor(this.changes.length), more: false } };
    const [era, at] = since.split(' ');
    const problem = { type: 'x', title: 'x', status: 410, detail: 'Begin anew.', errors: [] };
    if (era !== this.era) return { status: 410, body: problem };
    const items = this.changes.slice(Number(at), Number(at) + this.page);
    const now = Number(at) + items.length;
    return { status: 200, body: { items, cursor: cursor(now), more: now < this.changes.length } };
  }
}
