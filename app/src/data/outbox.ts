import {
  ENTRIES_AT_ONCE,
  entryFields,
  isEntry,
  schemaOf,
  upgraded,
  type Entry,
  type EntryFields,
} from '@fine-spray/contract';
import { Refused, Unknown, call, failureOfAnswer, whyFailed } from './api';
import { device as pageDevice, type Device, type KeptEntry } from './device';
import { newId } from './newId';
import { OneAtATime, alone } from './oneAtATime';
import { Spare } from './spare';
import { surelyOurs } from './whose';

/** An entry that waits on this device. */
export type Waiting = KeptEntry;

export interface OutboxState {
  readonly waiting: readonly Waiting[];
  /** This device takes no more: what waits is lost when the page is closed. */
  readonly full: boolean;
  /** Things left here by another version of the program that this one cannot read; they are kept. */
  readonly aside: number;
  /** Taken by the server since this page was opened: a list read before that does not have them yet. */
  readonly sent: ReadonlyMap<string, Entry>;
  /** Why the server fails at an entry while it answers: it is tried again, and what stands behind it goes on. */
  readonly failing: ReadonlyMap<string, string>;
}

/** An entry to be written: its form is the one of this program. */
export type NewFields = Omit<EntryFields, 'schema'>;

export interface Written {
  readonly id: string;
  readonly kept: Promise<boolean>;
}

const RETRY = 5000;
const LONGEST_RETRY = 60_000;
/** Entries at which the server fails one after another before it is taken to fail at all of them. */
const FAILS_AT_MOST = 3;
/** Answers that say nothing of what was sent: an address that another version does not have, too much at once. */
const TRY_LATER = new Set([401, 403, 404, 405, 408, 429]);
const CHANNEL = 'fine-spray.outbox';

type Told = { readonly kind: 'changed' } | { readonly kind: 'sent'; readonly entries: readonly Entry[] };

/** What is known of an entry once it was sent: the row of the server, or why there is none. */
interface Sent {
  readonly one: Waiting;
  readonly row?: Entry;
  readonly refused?: Refused;
}

/** An entry as it was kept, in today's form; nothing where this program cannot read it. */
function readWaiting(stored: unknown): Waiting | undefined {
  const { id, fields, personId, refused, theirs, clockSkew } = (stored ?? {}) as Partial<Waiting>;
  const checked = entryFields.safeParse(fields);
  if (typeof id !== 'string' || !checked.success) return undefined;
  return {
    id,
    fields: upgraded(checked.data),
    ...(typeof personId === 'string' ? { personId } : {}),
    ...(clockSkew === undefined ? {} : { clockSkew }),
    ...(typeof refused === 'string' ? { refused } : {}),
    ...(theirs === undefined ? {} : { theirs }),
  };
}

/**
 * Entries of the log on their way to the server: kept on the device first, sent in the order they were written when it can,
 * each as often as it takes (the id is the client's, so a repeat changes nothing). Several pages share what the device
 * keeps; one of them sends at a time.
 */
export class Outbox {
  private state: OutboxState = {
    waiting: [],
    full: false,
    aside: 0,
    sent: new Map(),
    failing: new Map(),
  };
  private readonly listeners = new Set<() => void>();
  private readonly spare = new Spare();
  private readonly dropped = new Set<string>();
  private readonly sending = new OneAtATime(() => this.sendOnce());
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly channel: BroadcastChannel | undefined;
  private started: Promise<void> | undefined;
  /** Told of the entries the server has taken, by this page or another. */
  onSent: (entries: readonly Entry[]) => void = () => undefined;

  /** @param ours whether the server takes this device for one of the company whose entries these are; nothing is sent before */
  constructor(
    private readonly device: Device = pageDevice,
    private readonly ours: () => Promise<boolean> = () => Promise.resolve(true),
  ) {
    this.channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL);
    this.channel?.addEventListener('message', ({ data }: MessageEvent<Told>) => {
      if (data.kind === 'sent') this.taken(data.entries);
      void this.reload();
    });
    // Under Node, where tests run, an open channel would keep the process.
    (this.channel as { unref?: () => void } | undefined)?.unref?.();
  }

  private taken(entries: readonly Entry[]): void {
    this.set({ sent: new Map([...this.state.sent, ...entries.map((one) => [one.id, one] as const)]) });
    this.onSent(entries);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly current = (): OutboxState => this.state;

  private turn: Promise<unknown> = Promise.resolve();

  /** Does one thing with the device after another: what is read must not miss what is just being written. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.turn.then(work);
    this.turn = next.catch(() => undefined);
    return next;
  }

  private set(next: Partial<OutboxState>): void {
    this.state = { ...this.state, ...next };
    this.listeners.forEach((listener) => listener());
  }

  private tell(told: Told): void {
    this.channel?.postMessage(told);
  }

  /** Reads what waits on this device, once; what an older program left is brought in. */
  start(): Promise<void> {
    this.started ??= this.bringIn().then(() => this.reload());
    return this.started;
  }

  /** Entries that pages left in the spare place. What cannot be read is set aside, not lost. */
  private async bringIn(): Promise<void> {
    for (const { stored, done } of this.spare.left()) {
      const entry = readWaiting(stored);
      try {
        if (entry) await this.device.keepWaiting(entry);
        else await this.device.putAside(JSON.stringify(stored));
        done();
      } catch {
        // It stays where it is; what can be read is sent from here.
        if (entry) this.spare.hold(entry);
      }
    }
  }

  /** Takes over what the device has; what it had no room for stays behind it. */
  private reload(): Promise<void> {
    return this.inTurn(() => this.readAll());
  }

  private async readAll(): Promise<void> {
    try {
      const kept = await this.device.waiting();
      // What was read before is not read again: ten thousand of them take a second.
      const before = new Map(this.state.waiting.map((one) => [one.id, one]));
      const readable = kept.flatMap((one) => {
        const had = before.get(one.id);
        return had && had.refused === one.refused ? had : (readWaiting(one) ?? []);
      });
      const aside = (await this.device.aside()).length + kept.length - readable.length;
      const known = new Set(readable.map(({ id }) => id));
      const here = this.state.waiting.filter(({ id }) => this.spare.has(id) && !known.has(id));
      const unseen = this.spare.all.filter(({ id }) => !known.has(id) && !here.some((one) => one.id === id));
      const waiting = [...readable, ...here, ...unseen].filter(({ id }) => !this.dropped.has(id));
      this.set({ waiting, aside });
    } catch {
      // No database here: what is in memory and in the spare place holds.
      if (this.spare.all.length > 0) this.set({ waiting: this.spare.all });
    }
  }

  /** Keeps an entry: at once in the spare place, then in the database; where neither has room in this page only. */
  private keep(entry: Waiting): Promise<boolean> {
    this.spare.hold(entry);
    return this.inTurn(() => this.put(entry));
  }

  private async put(entry: Waiting): Promise<boolean> {
    if (this.dropped.has(entry.id)) {
      // Sent before its turn came.
      this.spare.release([entry.id]);
      return true;
    }
    try {
      await this.device.keepWaiting(entry);
      this.spare.release([entry.id]);
      if (this.state.full) this.set({ full: false });
      return true;
    } catch {
      const full = !this.spare.keepAll();
      if (full !== this.state.full) this.set({ full });
      return !full;
    }
  }

  private async drop(...ids: readonly string[]): Promise<void> {
    const gone = new Set(ids);
    gone.forEach((id) => this.dropped.add(id));
    this.set({
      waiting: this.state.waiting.filter(({ id }) => !gone.has(id)),
      failing: new Map([...this.state.failing].filter(([id]) => !gone.has(id))),
    });
    this.spare.release(ids);
    await this.inTurn(() => this.device.dropWaiting(ids)).catch(() => undefined);
  }

  /**
   * Keeps an entry and begins to send.
   * @param clockSkew how wrong the clock was that its time is by, where that is known: of what it corrects
   * @param id where what goes with it has to name it before it is written
   * @returns its id, and once that is known whether it is kept on this device, or by this page only
   */
  write(fields: NewFields, personId?: string, clockSkew?: number | null, id: string = newId()): Written {
    const entry: Waiting = {
      id,
      fields: { ...fields, schema: schemaOf(fields.kind) },
      ...(personId === undefined ? {} : { personId }),
      ...(clockSkew === undefined ? {} : { clockSkew }),
    };
    this.set({ waiting: [...this.state.waiting, entry] });
    const kept = this.keep(entry).then((done) => {
      this.tell({ kind: 'changed' });
      void this.send();
      return done;
    });
    return { id: entry.id, kept };
  }

  /** Takes back an entry that has not been sent yet; says whether it could. */
  takeBack(id: string): boolean {
    if (this.onItsWay.has(id) || !this.state.waiting.some((one) => one.id === id)) return false;
    void this.drop(id).then(() => this.tell({ kind: 'changed' }));
    return true;
  }

  /** An entry the server did not take, once more under a new id: beside what the server has, not over it. */
  async sendAsNew(id: string): Promise<void> {
    const entry = this.state.waiting.find((one) => one.id === id);
    if (!entry) return;
    const { kept } = this.write(entry.fields, entry.personId);
    await kept;
    await this.drop(id);
    this.tell({ kind: 'changed' });
  }

  /** Entries the server once took and has lost, as they were: under their ids, with what it found of the clock. */
  async sendAgain(entries: readonly Entry[]): Promise<void> {
    const waiting = new Set(this.state.waiting.map(({ id }) => id));
    const again = entries
      .filter(({ id }) => !waiting.has(id))
      .map((one): Waiting => {
        const {
          id,
          clockSkew,
          personId,
          version: _version,
          createdAt: _made,
          updatedAt: _changed,
          ...fields
        } = one;
        return { id, fields, clockSkew, ...(personId ? { personId } : {}) };
      });
    if (again.length === 0) return;
    const ids = new Set(again.map(({ id }) => id));
    ids.forEach((id) => this.dropped.delete(id));
    const sent = new Map([...this.state.sent].filter(([id]) => !ids.has(id)));
    this.set({ sent, waiting: [...this.state.waiting, ...again] });
    for (const one of again) await this.keep(one);
    this.tell({ kind: 'changed' });
    await this.send();
  }

  private onItsWay: ReadonlySet<string> = new Set();

  /** Ends what would go on by itself: trying again, and listening to other pages. */
  close(): void {
    clearTimeout(this.timer);
    this.channel?.close();
  }

  /** The server was away and is back: what failed before says nothing of it now. */
  again(): Promise<void> {
    this.failures = 0;
    return this.send();
  }

  /** Sends what waits, in its order, until all is sent or the server does not answer; then tries again later. */
  send(): Promise<void> {
    return this.sending.run();
  }

  private async sendOnce(): Promise<void> {
    await this.start();
    clearTimeout(this.timer);
    if (this.state.waiting.length === 0 || !(await this.mayBegin())) return;
    await alone(CHANNEL, async (shared) => {
      // Another page may have sent some of it while this one waited for its turn.
      if (shared) await this.reload();
      await this.sendAll();
    });
  }

  private async mayBegin(): Promise<boolean> {
    try {
      return await this.ours();
    } catch {
      this.later();
      return false;
    }
  }

  /** Done when nothing is being kept or sent any more; what the server did not take waits for its next try. */
  async idle(): Promise<void> {
    for (let seen: unknown; seen !== this.turn || this.sending.running !== undefined;) {
      seen = this.turn;
      await this.sending.running;
      await this.turn;
    }
  }

  /** Tries again later, and later still each time. */
  private later(): void {
    this.failures += 1;
    const wait = Math.min(LONGEST_RETRY, RETRY * 2 ** Math.min(10, this.failures - 1));
    this.timer = setTimeout(() => void this.send(), wait);
  }

  private async sendAll(): Promise<void> {
    // At what the server failed in this pass: stepped over, so that one entry does not hold back the rest.
    const stepped = new Set<string>();
    let inARow = 0;
    let atOnce = ENTRIES_AT_ONCE;
    for (;;) {
      const some = this.state.waiting
        .filter(({ id, refused }) => refused === undefined && !stepped.has(id))
        .slice(0, atOnce);
      if (some.length === 0) {
        if (stepped.size > 0) this.later();
        return;
      }
      this.onItsWay = new Set(some.map(({ id }) => id));
      try {
        await this.settle(await sentTogether(some));
        this.failures = 0;
        inARow = 0;
        atOnce = Math.min(ENTRIES_AT_ONCE, 2 * atOnce);
      } catch (error) {
        const [first] = some;
        const held = heldAgainst(error);
        if (first && held !== undefined) {
          // All of them are held against one: asked in halves until it stands alone.
          if (some.length > 1) {
            atOnce = Math.ceil(some.length / 2);
            continue;
          }
          if (held.problem.status !== 500) {
            await this.settle([{ one: first, refused: held }]);
            continue;
          }
          stepped.add(first.id);
          inARow += 1;
          this.set({ failing: new Map(this.state.failing).set(first.id, whyFailed(error)) });
          if (inARow < FAILS_AT_MOST) continue;
        }
        this.later();
        return;
      } finally {
        this.onItsWay = new Set();
      }
    }
  }

  /** What was taken waits no longer; what was refused stays with the reason. */
  private async settle(sent: readonly Sent[]): Promise<void> {
    const rows = sent.flatMap(({ row }) => row ?? []);
    if (rows.length > 0) {
      this.taken(rows);
      // Kept as taken before it waits no longer: where the server loses it, this device still has it.
      await this.inTurn(() => this.device.keepEntries(rows)).catch(() => undefined);
      await this.drop(...rows.map(({ id }) => id));
      this.tell({ kind: 'sent', entries: rows });
    }
    for (const { one, refused: error } of sent) {
      if (!error) continue;
      const { current } = error.problem;
      const refused: Waiting = {
        ...one,
        refused: whyFailed(error),
        ...(current === undefined ? {} : { theirs: current }),
      };
      this.set({ waiting: this.state.waiting.map((other) => (other.id === one.id ? refused : other)) });
      await this.keep(refused);
    }
  }
}

/** What the server holds against what was sent; nothing where it, or the way to it, is away for a while. */
function heldAgainst(error: unknown): Refused | undefined {
  if (!(error instanceof Refused)) return undefined;
  const { status } = error.problem;
  return status === 500 || (status < 500 && !TRY_LATER.has(status)) ? error : undefined;
}

/** Sends entries in one request. What the server answers for each; it throws where the request as a whole was not taken. */
async function sentTogether(some: readonly Waiting[]): Promise<readonly Sent[]> {
  const answer = await call(
    'POST',
    '/api/entries',
    {
      entries: some.map(({ id, fields, personId, clockSkew }) => ({
        ...fields,
        id,
        ...(personId === undefined ? {} : { personId }),
        ...(clockSkew === undefined ? {} : { clockSkew }),
      })),
    },
    { clock: true },
  );
  const { results } = (answer ?? {}) as { readonly results?: unknown };
  if (!Array.isArray(results) || results.length !== some.length)
    throw new Unknown('it does not say what became of each entry.');
  return some.map((one, index) => {
    const { row, problem } = results[index] as { readonly row?: unknown; readonly problem?: unknown };
    if (isEntry(row) && row.id === one.id) return { one, row };
    const refused = failureOfAnswer(problem);
    if (refused instanceof Refused) return { one, refused };
    throw new Unknown('an entry has another shape.');
  });
}

/** The one outbox of this page. */
export const outbox = new Outbox(pageDevice, surelyOurs);
