import { entryFields, type Entry, type EntryFields } from '@fine-spray/contract';
import { Refused, call, whyFailed } from './api';
import { readKept, writeKept } from './kept';
import { newId } from './newId';

/** An entry that waits on this device. */
export interface Waiting {
  readonly id: string;
  readonly fields: EntryFields;
  /** Why the server did not take it; it stays here until somebody looks. */
  readonly refused?: string;
}

export interface OutboxState {
  readonly waiting: readonly Waiting[];
  /** This device takes no more: what waits is lost when the page is closed. */
  readonly full: boolean;
}

const KEY = 'outbox';
const RETRY = 5000;

function readWaiting(stored: unknown): readonly Waiting[] | undefined {
  if (!Array.isArray(stored)) return undefined;
  return stored.flatMap((one: unknown) => {
    const { id, fields, refused } = (one ?? {}) as { id?: unknown; fields?: unknown; refused?: unknown };
    const checked = entryFields.safeParse(fields);
    if (typeof id !== 'string' || !checked.success) return [];
    return [{ id, fields: checked.data, ...(typeof refused === 'string' ? { refused } : {}) }];
  });
}

/**
 * Entries of the log on their way to the server: kept on the device first, sent in their order when it can, each as often as
 * it takes (the id is the client's, so a repeat changes nothing).
 */
export class Outbox {
  private state: OutboxState = { waiting: readKept(KEY, readWaiting, []), full: false };
  private readonly listeners = new Set<() => void>();
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Told of each entry the server has taken. */
  onSent: (entry: Entry) => void = () => undefined;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly current = (): OutboxState => this.state;

  private set(waiting: readonly Waiting[]): void {
    this.state = { waiting, full: !writeKept(KEY, waiting.length === 0 ? undefined : waiting) };
    this.listeners.forEach((listener) => listener());
  }

  /** Keeps an entry and begins to send. */
  add(fields: EntryFields): string {
    const id = newId();
    this.set([...this.state.waiting, { id, fields }]);
    void this.send();
    return id;
  }

  /** Takes back an entry that has not been sent yet; says whether it could. */
  takeBack(id: string): boolean {
    const left = this.state.waiting.filter((one) => one.id !== id);
    if (left.length === this.state.waiting.length) return false;
    this.set(left);
    return true;
  }

  /** Sends what waits, oldest first, until all is sent or the server does not answer; then tries again later. */
  async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      for (;;) {
        const next = this.state.waiting.find(({ refused }) => refused === undefined);
        if (!next) break;
        try {
          const row = (await call('PUT', `/api/entries/${next.id}`, { ...next.fields, version: 0 })) as Entry;
          this.set(this.state.waiting.filter(({ id }) => id !== next.id));
          this.onSent(row);
        } catch (error) {
          if (!(error instanceof Refused) || error.problem.status >= 500) {
            this.timer = setTimeout(() => void this.send(), RETRY);
            break;
          }
          const refused = whyFailed(error);
          this.set(this.state.waiting.map((one) => (one.id === next.id ? { ...one, refused } : one)));
        }
      }
    } finally {
      this.sending = false;
    }
  }
}

/** The one outbox of this page. */
export const outbox = new Outbox();
