import { NOTHING_LEARNED, practiceFields, type PracticeFields } from '@fine-spray/contract/practice';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { readKept, writeKept } from '@/data/kept';
import { learned, type Done } from './learning';

const learnedSchema = practiceFields;

/** What was done here and the server has not taken yet: as it was written, read again when the page is opened anew. */
const doneSchema = z.array(
  z.discriminatedUnion('kind', [
    z.strictObject({
      id: z.string(),
      at: z.string(),
      kind: z.literal('answer'),
      item: z.string(),
      skill: z.string(),
      right: z.boolean(),
      seconds: z.number(),
    }),
    z.strictObject({
      id: z.string(),
      at: z.string(),
      kind: z.literal('sprayed'),
      piece: z.string(),
      points: z.number(),
      costs: z.record(z.string(), z.number()),
    }),
  ]),
);

/** What somebody who practises on this device has learned. */
export interface PracticeRecord {
  readonly learned: PracticeFields;
  /** What waits to go to the server. */
  readonly waiting: readonly Done[];
  /** This device has no room: what is new is here until the page is closed. */
  readonly full: boolean;
}

const LEARNED = (who: string) => `practice.learned.${who}`;
const WAITING = (who: string) => `practice.waiting.${who}`;

/** What is learned on this device, by whoever it is: written before it is shown. */
class Records {
  private readonly known = new Map<string, PracticeRecord>();
  /** Of the row that was last heard of. */
  private readonly versions = new Map<string, number>();
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  of(who: string): PracticeRecord {
    const had = this.known.get(who);
    if (had) return had;
    const record = {
      learned: readKept(LEARNED(who), (stored) => learnedSchema.safeParse(stored).data, NOTHING_LEARNED),
      waiting: readKept(WAITING(who), (stored) => doneSchema.safeParse(stored).data, []),
      full: false,
    };
    this.known.set(who, record);
    return record;
  }

  /** Something was done. */
  add(who: string, done: Done): void {
    const { learned: before, waiting } = this.of(who);
    this.set(who, learned(before, done), [...waiting, done]);
  }

  /**
   * The server has taken what waited, and says what is learned in all; what was done since stands on that. What it said before something
   * newer is let be.
   */
  taken(who: string, server: PracticeFields, version: number, ids: ReadonlySet<string>): void {
    if (version < (this.versions.get(who) ?? 0)) return;
    this.versions.set(who, version);
    const waiting = this.of(who).waiting.filter(({ id }) => !ids.has(id));
    this.set(who, waiting.reduce(learned, server), waiting);
  }

  private set(who: string, now: PracticeFields, waiting: readonly Done[]): void {
    const kept = writeKept(LEARNED(who), now);
    const full = !writeKept(WAITING(who), waiting) || !kept;
    this.known.set(who, { learned: now, waiting, full });
    for (const listener of this.listeners) listener();
  }
}

export const records = new Records();

export const usePracticeRecord = (who: string): PracticeRecord =>
  useSyncExternalStore(
    records.subscribe,
    () => records.of(who),
    () => records.of(who),
  );
