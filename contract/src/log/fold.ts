import { digestedRecord, joinRecords, readRecord, type SiteRecord } from '@fine-spray/core/record';
import { overruled, type Replacing } from '@fine-spray/core/grouping';
import type { InSteps } from '@fine-spray/core/steps';
import { replacing, type Entry } from '../entry';
import type { OldJob } from '../oldJobs';
import { coreLog } from './coreLog';

/** Entries of one job, with the surfaces first heard of in it, and what they say together. */
interface Part {
  readonly entries: Map<string, Entry>;
  record: SiteRecord | undefined;
}

/** Where entries without a job stand. */
const NO_JOB = '';

/** Jobs that are known by their digest, by id. */
export type OldJobs = ReadonlyMap<string, OldJob>;
const NO_OLD: OldJobs = new Map();

/**
 * A log that is folded job by job and goes on from what it knows: a list that has one more entry costs that entry's job. The
 * record is the one that `readRecord` gives of the whole log; of old jobs it has what their digests say, whatever of their
 * entries is in the list.
 */
export class LogFold {
  private readonly known = new Map<string, Entry>();
  private readonly parts = new Map<string, Part>();
  /** The part of each surface: that of the job it was first heard of in, wherever it was moved since. */
  private readonly partOfSurface = new Map<string, string>();
  private readonly partOfEntry = new Map<string, string>();
  /** Entries that stand in the place of others, and what does not hold because of them. */
  private readonly replacing = new Map<string, Replacing>();
  private over: ReadonlyMap<string, string> = new Map();
  private overStale = false;
  private joined: SiteRecord = joinRecords([]);
  /** Something was taken over since the parts were joined. */
  private stale = false;
  private old: OldJobs = NO_OLD;

  /** The list that was read last. */
  private last: readonly Entry[] = [];

  /** What a log says; lists that differ by little from the one before cost little. */
  record(entries: readonly Entry[], old: OldJobs = NO_OLD): SiteRecord {
    this.takeOver(entries, old);
    if (this.stale) this.joined = joinRecords([...this.parts].map(([key, part]) => this.read(key, part)));
    this.stale = false;
    return this.joined;
  }

  /** Reads a log ahead, a job at a step: `record` has little left to do then. Other lists may be read in between. */
  *inSteps(entries: readonly Entry[], old: OldJobs = NO_OLD): InSteps<void> {
    this.takeOver(entries, old);
    for (const [key, part] of [...this.parts]) {
      yield;
      this.read(key, part);
    }
  }

  private takeOver(entries: readonly Entry[], old: OldJobs): void {
    let changed = this.takeOld(old);
    let same = 0;
    while (same < entries.length && entries[same] === this.last[same]) same += 1;
    if (!changed && same === entries.length && same === this.last.length) return;
    const before = new Map(this.last.slice(same).map((one) => [one.id, one]));
    for (const one of entries.slice(same)) {
      const had = before.get(one.id) ?? this.known.get(one.id);
      before.delete(one.id);
      if (had === one) continue;
      if (had) this.forget(had);
      this.take(one);
      changed = true;
    }
    for (const gone of before.values()) {
      this.forget(gone);
      changed = true;
    }
    this.last = entries;
    if (this.overStale) this.judgeAnew();
    this.stale ||= changed;
  }

  private read(key: string, part: Part): SiteRecord {
    if (part.record) return part.record;
    const old = this.old.get(key);
    part.record = old
      ? digestedRecord(coreLog(old.kept), { job: key, digest: old.digest })
      : readRecord(coreLog([...part.entries.values()].filter(({ id }) => !this.over.has(id))));
    return part.record;
  }

  /** Takes over which jobs are old; whether that changes anything. */
  private takeOld(old: OldJobs): boolean {
    if (old === this.old) return false;
    const before = this.old;
    this.old = old;
    let changed = false;
    for (const key of new Set([...before.keys(), ...old.keys()])) {
      if (before.get(key) === old.get(key)) continue;
      this.partOf(key).record = undefined;
      changed = true;
    }
    return changed;
  }

  private partOf(key: string): Part {
    const part = this.parts.get(key) ?? { entries: new Map<string, Entry>(), record: undefined };
    this.parts.set(key, part);
    return part;
  }

  private keyOf({ surfaceId, jobId }: Entry): string {
    if (surfaceId === null) return jobId ?? NO_JOB;
    const known = this.partOfSurface.get(surfaceId) ?? jobId ?? NO_JOB;
    this.partOfSurface.set(surfaceId, known);
    return known;
  }

  private take(one: Entry): void {
    const key = this.keyOf(one);
    const part = this.partOf(key);
    part.entries.set(one.id, one);
    part.record = undefined;
    this.known.set(one.id, one);
    this.partOfEntry.set(one.id, key);
    if (one.replaces === null) return;
    this.replacing.set(one.id, replacing(one));
    this.overStale = true;
  }

  private forget(one: Entry): void {
    const part = this.parts.get(this.partOfEntry.get(one.id) ?? NO_JOB);
    part?.entries.delete(one.id);
    if (part) part.record = undefined;
    this.known.delete(one.id);
    this.partOfEntry.delete(one.id);
    if (this.replacing.delete(one.id)) this.overStale = true;
  }

  /** Finds out anew what holds: the parts of what changed in that are read again. */
  private judgeAnew(): void {
    this.overStale = false;
    const before = this.over;
    this.over = overruled(this.replacing.values());
    for (const id of new Set([...before.keys(), ...this.over.keys()])) {
      if (before.has(id) === this.over.has(id)) continue;
      const part = this.parts.get(this.partOfEntry.get(id) ?? '\0');
      if (part) part.record = undefined;
    }
  }
}
