import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import type { Database } from '../db/database';

/** What PostgreSQL carries between servers: which one says it, and of which company. */
const CHANNEL = 'fine_spray_changes';
/** Changes in quick succession are told once, ms. */
const PAUSE = 100;
const RECONNECT = 1000;

/** Who wants to know that there is something new. */
export interface Follower {
  readonly tell: () => void;
  /** The server stops. */
  readonly end: () => void;
}

/**
 * Says "there is something new of this company" to all who follow it, on every server of the database. What it is they ask
 * for themselves. Told after the write is committed, so that writes do not wait for each other; a server that ends in between
 * leaves those of another server to find it when they next ask.
 */
export class Announcer {
  private readonly self = randomUUID();
  private readonly followers = new Map<string, Set<Follower>>();
  /** Companies told of a moment ago, and whether there was more since. */
  private readonly told = new Map<string, boolean>();
  private listening: Promise<void> | undefined;
  private client: Client | undefined;
  private closed = false;

  constructor(
    private readonly url: string,
    private readonly db: Database,
  ) {}

  /**
   * Follows a company from now on.
   * @returns ends it
   */
  follow(companyId: string, follower: Follower): () => void {
    const all = this.followers.get(companyId) ?? new Set();
    this.followers.set(companyId, all.add(follower));
    this.listening ??= this.listen();
    return () => {
      all.delete(follower);
      if (all.size === 0) this.followers.delete(companyId);
    };
  }

  /** Something of a company was stored. */
  announce(companyId: string): void {
    if (this.told.has(companyId)) {
      this.told.set(companyId, true);
      return;
    }
    this.told.set(companyId, false);
    this.tell(companyId);
    void this.db
      .raw('select pg_notify(?, ?)', [CHANNEL, `${this.self} ${companyId}`])
      // Without a database there is nothing new either.
      .catch(() => undefined);
    setTimeout(() => {
      const more = this.told.get(companyId);
      this.told.delete(companyId);
      if (more === true && !this.closed) this.announce(companyId);
    }, PAUSE).unref();
  }

  /** Ends every stream, and listening. */
  async close(): Promise<void> {
    this.closed = true;
    for (const all of this.followers.values()) all.forEach(({ end }) => end());
    this.followers.clear();
    await this.listening;
    await this.client?.end().catch(() => undefined);
  }

  private tell(companyId: string): void {
    this.followers.get(companyId)?.forEach(({ tell }) => tell());
  }

  private async listen(): Promise<void> {
    const client = new Client({ connectionString: this.url, connectionTimeoutMillis: 4000, keepAlive: true });
    let over = false;
    const again = () => {
      if (over) return;
      over = true;
      this.client = undefined;
      void client.end().catch(() => undefined);
      if (this.closed) return;
      setTimeout(() => {
        if (!this.closed) this.listening = this.listen();
      }, RECONNECT).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload = '' }) => {
      const [from, companyId] = payload.split(' ');
      if (from !== this.self && companyId !== undefined) this.tell(companyId);
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.client = client;
      // What was said while nobody listened is not said again.
      for (const companyId of this.followers.keys()) this.tell(companyId);
    } catch {
      again();
    }
  }
}
