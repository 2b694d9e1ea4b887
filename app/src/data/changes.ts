import type { Change, Entry, OldJob } from '@fine-spray/contract';
import type { QueryClient } from '@tanstack/react-query';
import { Refused, Unknown, call } from './api';
import type { Device } from './device';
import { addEntries, entriesAmong, wholeLog } from './entries';
import { refreshLists } from './lists';
import { noteChange } from './newer';
import {
  areOfThisProgram,
  notAllAmong,
  askForJobsOfLog,
  askForOldJobs,
  beginWithOld,
  oldJobs,
  openTouched,
} from './oldJobs';
import { OneAtATime, alone } from './oneAtATime';
import type { Outbox } from './outbox';
import { LATE, inTime } from './patience';
import { keys, pagesOf } from './resources';
import { sendLost } from './restored';
import { breath } from './turns';
import { isHere, surelyOurs } from './whose';

/** Pages of a device tell each other that there is something new: one of them has the stream. */
const CHANNEL = 'fine-spray.changes';
/** Where a stream cannot be had, and besides it, changes are asked for this often, ms. */
const ASK = 60_000;
const RECONNECT = 10_000;
/** A long log is kept in parts with a pause between, ms, so that a thumb on the list does not feel it. */
const AT_ONCE = 50;
const PAUSE = 16;

const pause = () => new Promise<void>((resolve) => setTimeout(resolve, PAUSE));

/** A database of the device that has not answered by then, ms, does not: the log is had from the server, as on a new device. */
const PATIENCE = 10_000;

/** Status of a server that cannot tell what changed since then: it was restored, or is another. */
const BEGIN_ANEW = 410;

interface Answer {
  readonly items: readonly Change[];
  readonly cursor: string;
  readonly more: boolean;
}

async function ask(since: string): Promise<Answer> {
  const answer = await call('GET', `/api/changes?since=${encodeURIComponent(since)}`);
  const { items, cursor, more } = (answer ?? {}) as Partial<Answer>;
  if (!Array.isArray(items) || typeof cursor !== 'string')
    throw new Unknown('its changes have another shape.');
  return { items: items as readonly Change[], cursor, more: more === true };
}

/**
 * Keeps what a page shows, and what its device keeps of the log, as the server has it: from a cursor on, one after another. A
 * page that was just opened asks for its lists as ever; what changes afterwards comes to it.
 */
export class Following {
  private readonly catchingUp = new OneAtATime(() => this.once());
  private cursor: string | undefined;
  private begun: Promise<string | undefined> | undefined;
  /** The database of the device answers: else nothing is there for this page. */
  hasDevice = true;
  private firstPage: Promise<void> | undefined;
  private gotFirst: () => void = () => undefined;
  /** The whole log is being read: what is there is not all. */
  readsAll = false;

  constructor(
    private readonly client: QueryClient,
    private readonly device: Device,
    private readonly outbox: Outbox,
  ) {}

  /** Done when everything up to now is here; asked again meanwhile, once more. It throws where the server cannot be asked. */
  catchUp(): Promise<void> {
    return this.catchingUp.run();
  }

  /**
   * Whether the device had all of the log when this page began. Asked before the log itself is read: another page may be keeping
   * it just now, and what was not there a moment ago is not made up for by its cursor.
   */
  async beganWhole(): Promise<boolean> {
    this.begun ??= this.begin().catch(() => undefined);
    return (await this.begun) !== undefined;
  }

  /** Up to where the device has the log, old jobs by what they leave; nothing where it has it not, or not in a way this program reads. */
  private async begin(): Promise<string | undefined> {
    const kept = await inTime(Promise.all([this.device.cursor(), this.device.oldJobs()]), PATIENCE);
    if (kept === LATE) {
      this.hasDevice = false;
      return undefined;
    }
    const [cursor, old] = kept;
    if (cursor === undefined || !areOfThisProgram(old)) return undefined;
    beginWithOld(this.client, old);
    return cursor;
  }

  /** Done when there is something of the log to show on a device that has nothing of it. */
  async first(): Promise<void> {
    this.firstPage ??= new Promise((resolve) => (this.gotFirst = resolve));
    await Promise.race([this.firstPage, this.catchUp()]);
  }

  private async once(): Promise<void> {
    await breath();
    if (!(await surelyOurs())) return;
    await this.beganWhole();
    const kept = this.cursor ?? (await this.begun);
    if (kept === undefined) return this.anew();
    try {
      let now = kept;
      for (let more = true; more;) {
        const answer = await ask(now);
        ({ cursor: now, more } = answer);
        this.take(answer.items, now);
      }
      await this.openTouched();
    } catch (error) {
      if (!(error instanceof Refused) || error.problem.status !== BEGIN_ANEW) throw error;
      // What the lists showed is of another time.
      void this.client.invalidateQueries();
      await this.anew();
    }
  }

  /** Entries that came for old jobs: what is known of those is not all any more. */
  private touching: readonly Entry[] = [];

  /** Opens the old jobs that were written for since. One that cannot be had now is tried again with the next catch-up. */
  private async openTouched(): Promise<void> {
    const entries = this.touching;
    this.touching = [];
    try {
      await openTouched(this.client, entries, this.device);
    } catch (error) {
      // Beside what came meanwhile.
      this.touching = [...entries, ...this.touching];
      throw error;
    }
  }

  /** What a device had kept was read: old jobs that were written for since are opened. */
  async keptWasRead(entries: readonly Entry[]): Promise<void> {
    if (oldJobs.current().size === 0) return;
    this.touching = [...this.touching, ...entries];
    await this.openTouched();
  }

  /** Takes over what changed, and then from where to go on: cut off in between it comes once more. */
  private take(items: readonly Change[], cursor: string): void {
    const rows = items.filter(({ resource }) => resource !== 'entries');
    rows.forEach(noteChange);
    for (const resource of new Set(rows.map((one) => one.resource))) this.patch(resource, rows);
    const entries = entriesAmong(items.flatMap((one) => (one.resource === 'entries' ? (one.row ?? []) : [])));
    addEntries(this.client, entries);
    if (oldJobs.current().size > 0) this.touching = [...this.touching, ...entries];
    this.cursor = cursor;
    this.keep([entries], cursor);
  }

  /** Brings lists that are here up to date. */
  private patch(resource: Change['resource'], rows: readonly Change[]): void {
    const { client } = this;
    if (resource === 'company') {
      const now = rows.find((one) => one.resource === resource)?.row as { version: number } | undefined;
      client.setQueryData<{ version: number }>(keys.company, (had) =>
        had && now && now.version > had.version ? now : had,
      );
      return;
    }
    refreshLists(client, resource);
    if (resource === 'people') void client.invalidateQueries({ queryKey: keys.me });
  }

  /** The whole log, last first, and what changes from this moment on; of old jobs what they leave. */
  private async anew(): Promise<void> {
    this.readsAll = true;
    const sentBefore = this.outbox.current().sent;
    const { cursor } = await ask('now');
    const there = new Set<string>();
    const pages: (readonly Entry[])[] = [];
    const take = (page: {
      readonly items: readonly unknown[];
      readonly unreadable: readonly { id: string }[];
    }) => {
      const entries = entriesAmong(page.items);
      [...entries, ...page.unreadable].forEach(({ id }) => there.add(id));
      pages.push(entries);
    };
    let old: readonly OldJob[] = [];
    for await (const page of pagesOf('entries')) {
      take(page);
      if (pages.length > 1) continue;
      // The first page at once, the rest in one go: everything worked out from it is worked out twice, not for each page.
      addEntries(this.client, pages.flat(), 'from nothing');
      this.gotFirst();
      if (page.next === null) break;
      old = notAllAmong(await askForOldJobs(), pages.flat());
      if (old.length === 0) continue;
      await this.openJobs(new Set(old.map(({ jobId }) => jobId)), take);
      break;
    }
    beginWithOld(this.client, old);
    addEntries(this.client, pages.flat(), 'from nothing');
    this.readsAll = false;
    wholeLog.isHere();
    const whole = { there, sentBefore, old: oldJobs.current(), isOurs: isHere };
    void sendLost(whole, this.device, this.outbox).catch(() => undefined);
    this.cursor = cursor;
    // What the first page had of old jobs is theirs.
    const open = pages.map((page) => page.filter(({ jobId }) => jobId === null || !whole.old.has(jobId)));
    this.keep(open, cursor, old);
  }

  /** The log of every job but the old ones, and of none: which there are was asked after those, so that none is left out. */
  private async openJobs(
    old: ReadonlySet<string>,
    take: (page: {
      readonly items: readonly unknown[];
      readonly unreadable: readonly { id: string }[];
    }) => void,
  ): Promise<void> {
    const jobs = (await askForJobsOfLog()).filter((jobId) => !old.has(jobId));
    for (const job of ['none', ...jobs]) for await (const page of pagesOf('entries', { job })) take(page);
  }

  /** What is being kept on the device, one after another; it ends with the first the device does not take. */
  private keeping: Promise<void> = Promise.resolve();

  /**
   * Keeps entries on the device, and then up to where it has them. A device that is full keeps what it had: from there the next
   * page goes on. Whoever shows the log does not wait for it.
   */
  private keep(pages: readonly (readonly Entry[])[], cursor: string, old?: readonly OldJob[]): void {
    this.keeping = this.keeping.then(async () => {
      if (old) await this.device.keepOldJobs(old);
      await this.keepAll(pages, cursor);
    });
    this.keeping.catch(() => undefined);
  }

  private async keepAll(pages: readonly (readonly Entry[])[], cursor: string): Promise<void> {
    const known = pages.length > 1 ? new Set(await this.device.entryIds()) : undefined;
    for (const page of pages) {
      const entries = known ? page.filter(({ id }) => !known.has(id)) : page;
      for (let from = 0; from < entries.length; from += AT_ONCE) {
        await this.device.keepEntries(entries.slice(from, from + AT_ONCE));
        if (entries.length > AT_ONCE) await pause();
      }
    }
    await this.device.keepCursor(cursor);
  }

  /**
   * Follows while the page is open: told by the server's stream, which one page of a device has for all, and asked for now and
   * then besides.
   * @returns ends it
   */
  follow(): () => void {
    const left = new AbortController();
    const look = () => void this.catchUp().catch(() => undefined);
    const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
    channel?.addEventListener('message', look);
    const heard = () => {
      channel?.postMessage('look');
      look();
    };
    look();
    const timer = setInterval(look, ASK);
    globalThis.addEventListener?.('focus', look, { signal: left.signal });
    globalThis.addEventListener?.('online', look, { signal: left.signal });
    // Ended before its turn, it never had the stream.
    void alone(CHANNEL, () => stream(heard, left.signal), left.signal).catch(() => undefined);
    return () => {
      left.abort();
      clearInterval(timer);
      channel?.close();
    };
  }
}

/** Listens to the server's stream; one that ends is opened again. */
function stream(heard: () => void, ended: AbortSignal): Promise<void> {
  return new Promise((resolve) => {
    if (typeof EventSource === 'undefined' || ended.aborted) {
      resolve();
      return;
    }
    let source: EventSource;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      source = new EventSource('/api/events');
      source.addEventListener('changed', heard);
      source.addEventListener('error', () => {
        // The browser tries again by itself, but for where the server refused.
        if (source.readyState !== EventSource.CLOSED) return;
        clearTimeout(timer);
        timer = setTimeout(open, RECONNECT);
      });
    };
    open();
    ended.addEventListener('abort', () => {
      clearTimeout(timer);
      source.close();
      resolve();
    });
  });
}
