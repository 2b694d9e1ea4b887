import type { BatchWrite, Entry, EntryFields, OldJob } from '@fine-spray/contract';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb';
import { storeName } from './whose';

/** An entry that waits on this device, in the order it was written. */
export interface KeptEntry {
  /** Set by the database. */
  readonly order?: number;
  readonly id: string;
  readonly fields: EntryFields;
  /** Who of those that share this device wrote it. */
  readonly personId?: string;
  /** What the server found of the clock when it first took the entry; it has lost it since. */
  readonly clockSkew?: number | null;
  /** Why the server did not take it; it stays until somebody looks. */
  readonly refused?: string;
  /** What the server has under the same id, where the two differ. */
  readonly theirs?: unknown;
}

/** Writes to plans that wait on this device, done together or not at all. */
export interface KeptPlan {
  /** Set by the database. */
  readonly order?: number;
  readonly key: string;
  readonly writes: readonly BatchWrite[];
  /** Why the server did not take them; they stay until somebody decides. */
  readonly refused?: string;
  /** The row they clashed with, as it stands, or what is left of it. */
  readonly theirs?: unknown;
}

/** A picture of this device: of an entry that is not written yet, on its way to the server, or known to be there. */
export interface KeptPicture {
  readonly id: string;
  readonly bytes: ArrayBuffer;
  readonly state: 'draft' | 'waiting' | 'sent';
  /** When it came to be here, ms since 1970: of those the server has the oldest go first. */
  readonly at: number;
  /** Why the server did not take it; it stays until somebody decides. */
  readonly refused?: string;
}

/** What is known of a picture, without its file. */
export type PictureHead = Omit<KeptPicture, 'bytes'>;

interface KeptQuery {
  readonly key: readonly unknown[];
  readonly data: unknown;
  readonly updatedAt: number;
  /** The contract all of it was checked by, where it was. */
  readonly contract?: string;
}

interface Stores extends DBSchema {
  waiting: { key: number; value: KeptEntry; indexes: { id: string } };
  plans: { key: number; value: KeptPlan };
  /** What an older or newer program left here and this one cannot read: kept as it was. */
  aside: { key: number; value: { readonly at: string; readonly text: string } };
  entries: { key: string; value: Entry; indexes: { createdAt: string } };
  /** Jobs of which a page reads only what they leave, and what this device has of their log. */
  oldJobs: { key: string; value: OldJob };
  oldEntries: { key: string; value: Entry; indexes: { jobId: string } };
  /** Pictures by what is known of them, and their files apart: who looks what waits reads no files. */
  pictures: { key: string; value: PictureHead };
  pictureFiles: { key: string; value: ArrayBuffer };
  queries: { key: string; value: KeptQuery };
  /** Up to where the log is here: the server's cursor. */
  state: { key: string; value: string };
}

const NAME = 'fine-spray';
const VERSION = 5;
const CURSOR = 'cursor';

/** What the database of this device is called, for the company it is of. */
export const deviceName = (): string => storeName(NAME);

/** Pictures that were kept in one with their files are parted from them. */
async function partPictures(
  change: IDBPTransaction<Stores, StoreNames<Stores>[], 'versionchange'>,
): Promise<void> {
  const files = change.objectStore('pictureFiles');
  for (let at = await change.objectStore('pictures').openCursor(); at; at = await at.continue()) {
    const { bytes, ...head } = at.value as KeptPicture;
    void files.put(bytes, head.id);
    void at.update(head);
  }
}

/** What this device keeps of the company it is of: entries on their way, the log and the rows last seen. Opened once; it fails where the browser forbids it. */
export class Device {
  #opened: Promise<IDBPDatabase<Stores>> | undefined;

  /** @param name what its database is called: workers are told, they cannot look it up */
  constructor(private readonly name?: string) {}

  #open(): Promise<IDBPDatabase<Stores>> {
    this.#opened ??= openDB<Stores>(this.name ?? deviceName(), VERSION, {
      // A newer program waits for this page to let go.
      blocking: (_now, _blocked, { target }) => (target as IDBDatabase).close(),
      upgrade(database, from, _to, change) {
        if (from < 5) database.createObjectStore('pictureFiles');
        if (from < 4) database.createObjectStore('pictures', { keyPath: 'id' });
        if (from === 4) void partPictures(change);
        if (from < 3) {
          database.createObjectStore('oldJobs', { keyPath: 'jobId' });
          database.createObjectStore('oldEntries', { keyPath: 'id' }).createIndex('jobId', 'jobId');
        }
        if (from < 2) {
          database.createObjectStore('state');
          database.createObjectStore('plans', { keyPath: 'order', autoIncrement: true });
        }
        if (from > 0) {
          if (from < 2) change.objectStore('entries').createIndex('createdAt', 'createdAt');
          return;
        }
        database
          .createObjectStore('waiting', { keyPath: 'order', autoIncrement: true })
          .createIndex('id', 'id');
        database.createObjectStore('aside', { autoIncrement: true });
        database.createObjectStore('entries', { keyPath: 'id' }).createIndex('createdAt', 'createdAt');
        database.createObjectStore('queries');
      },
    });
    return this.#opened;
  }

  /** What waits, in the order it was written. */
  async waiting(): Promise<readonly KeptEntry[]> {
    return (await this.#open()).getAll('waiting');
  }

  /** Keeps an entry that waits; done only when it is on the disk. */
  async keepWaiting(entry: KeptEntry): Promise<void> {
    const database = await this.#open();
    const write = database.transaction('waiting', 'readwrite', { durability: 'strict' });
    const known = await write.store.index('id').getKey(entry.id);
    const { order: _order, ...value } = entry;
    await write.store.put(known === undefined ? value : { ...value, order: known });
    await write.done;
  }

  async dropWaiting(ids: readonly string[]): Promise<void> {
    const write = (await this.#open()).transaction('waiting', 'readwrite');
    const byId = write.store.index('id');
    // Asked for all at once: one after another two hundred take a tenth of a second.
    await Promise.all(
      ids.map(async (id) => {
        const known = await byId.getKey(id);
        if (known !== undefined) await write.store.delete(known);
      }),
    );
    await write.done;
  }

  /** Plans that wait, in the order they were written. */
  async plans(): Promise<readonly KeptPlan[]> {
    return (await this.#open()).getAll('plans');
  }

  /** Keeps writes that wait; done only when they are on the disk. Their place in the order. */
  async keepPlan(plan: KeptPlan): Promise<number> {
    const write = (await this.#open()).transaction('plans', 'readwrite', { durability: 'strict' });
    const order = await write.store.put(plan);
    await write.done;
    return order;
  }

  async dropPlans(orders: readonly number[]): Promise<void> {
    const write = (await this.#open()).transaction('plans', 'readwrite');
    for (const order of orders) void write.store.delete(order);
    await write.done;
  }

  /** The pictures that are here, without their files. */
  async picturesHere(): Promise<readonly PictureHead[]> {
    return (await this.#open()).getAll('pictures');
  }

  async picture(id: string): Promise<KeptPicture | undefined> {
    const read = (await this.#open()).transaction(['pictures', 'pictureFiles']);
    const [head, bytes] = await Promise.all([
      read.objectStore('pictures').get(id),
      read.objectStore('pictureFiles').get(id),
    ]);
    return head && bytes && { ...head, bytes };
  }

  /** Keeps a picture; done only when it is on the disk. */
  async keepPicture({ bytes, ...head }: KeptPicture): Promise<void> {
    const write = (await this.#open()).transaction(['pictures', 'pictureFiles'], 'readwrite', {
      durability: 'strict',
    });
    void write.objectStore('pictures').put(head);
    void write.objectStore('pictureFiles').put(bytes, head.id);
    await write.done;
  }

  async dropPictures(ids: readonly string[]): Promise<void> {
    const write = (await this.#open()).transaction(['pictures', 'pictureFiles'], 'readwrite');
    for (const id of ids) {
      void write.objectStore('pictures').delete(id);
      void write.objectStore('pictureFiles').delete(id);
    }
    await write.done;
  }

  async putAside(text: string): Promise<void> {
    await (await this.#open()).add('aside', { at: new Date().toISOString(), text });
  }

  async aside(): Promise<readonly { readonly at: string; readonly text: string }[]> {
    return (await this.#open()).getAll('aside');
  }

  async entries(): Promise<readonly Entry[]> {
    return (await this.#open()).getAll('entries');
  }

  /** Entries stored last, so many at most. */
  async newestEntries(count: number): Promise<readonly Entry[]> {
    const index = (await this.#open()).transaction('entries').store.index('createdAt');
    const found: Entry[] = [];
    for (let at = await index.openCursor(null, 'prev'); at && found.length < count; at = await at.continue())
      found.push(at.value);
    return found;
  }

  /** Entries by their ids, so many at most, behind one. */
  async entriesBehind(id: string | undefined, count: number): Promise<readonly Entry[]> {
    const behind = id === undefined ? undefined : IDBKeyRange.lowerBound(id, true);
    return (await this.#open()).getAll('entries', behind, count);
  }

  async entryIds(): Promise<readonly string[]> {
    return (await this.#open()).getAllKeys('entries');
  }

  /** Forgets everything: this device is nobody's any more. */
  async forget(): Promise<void> {
    const database = await this.#open();
    const stores = [
      ...(['waiting', 'aside', 'entries', 'queries', 'state', 'plans'] as const),
      ...(['oldJobs', 'oldEntries', 'pictures', 'pictureFiles'] as const),
    ];
    const write = database.transaction(stores, 'readwrite');
    await Promise.all(stores.map((name) => write.objectStore(name).clear()));
    await write.done;
  }

  async keepEntries(entries: readonly Entry[]): Promise<void> {
    const write = (await this.#open()).transaction('entries', 'readwrite');
    for (const entry of entries) void write.store.put(entry);
    await write.done;
  }

  async oldJobs(): Promise<readonly OldJob[]> {
    return (await this.#open()).getAll('oldJobs');
  }

  /** What this device has of the log of an old job. */
  async oldEntriesOf(jobId: string): Promise<readonly Entry[]> {
    return (await this.#open()).getAllFromIndex('oldEntries', 'jobId', jobId);
  }

  /** Keeps these old jobs and no others; of others nothing is left. */
  async keepOldJobs(jobs: readonly OldJob[]): Promise<void> {
    const write = (await this.#open()).transaction(['oldJobs', 'oldEntries'], 'readwrite');
    const [known, entries] = [write.objectStore('oldJobs'), write.objectStore('oldEntries')];
    void known.clear();
    for (const job of jobs) void known.put(job);
    const old = new Set(jobs.map(({ jobId }) => jobId));
    for (let at = await entries.index('jobId').openCursor(); at; at = await at.continue())
      if (!old.has(at.key)) void at.delete();
    await write.done;
  }

  /** A job is old from now on: pages read what it leaves, and its entries stay here for whoever looks at it. */
  async putAway(entries: readonly Entry[], job?: OldJob): Promise<void> {
    const write = (await this.#open()).transaction(['entries', 'oldJobs', 'oldEntries'], 'readwrite');
    for (const one of entries) {
      void write.objectStore('oldEntries').put(one);
      void write.objectStore('entries').delete(one.id);
    }
    if (job) void write.objectStore('oldJobs').put(job);
    await write.done;
  }

  /** A job is not old any more: its whole log is read with the others. */
  async openJob(jobId: string, entries: readonly Entry[]): Promise<void> {
    const write = (await this.#open()).transaction(['entries', 'oldJobs', 'oldEntries'], 'readwrite');
    const old = write.objectStore('oldEntries');
    for (const id of await old.index('jobId').getAllKeys(jobId)) void old.delete(id);
    for (const one of entries) void write.objectStore('entries').put(one);
    void write.objectStore('oldJobs').delete(jobId);
    await write.done;
  }

  /** Up to where the log is here; nothing where it never was, to its end. */
  async cursor(): Promise<string | undefined> {
    return (await this.#open()).get('state', CURSOR);
  }

  async keepCursor(cursor: string): Promise<void> {
    await (await this.#open()).put('state', cursor, CURSOR);
  }

  async queries(): Promise<readonly KeptQuery[]> {
    return (await this.#open()).getAll('queries');
  }

  async keepQuery(name: string, query: KeptQuery): Promise<void> {
    await (await this.#open()).put('queries', query, name);
  }

  async dropQuery(name: string): Promise<void> {
    await (await this.#open()).delete('queries', name);
  }
}

/** The one of this page. */
export const device = new Device();
