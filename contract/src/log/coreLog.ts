import type { EntryHead, LogEntry } from '@fine-spray/core/record';
import { isReadable, kindOf, replacing, timeOf, upgraded, type Entry, type Said } from '../entry';

type Writable<T> = { -readonly [Key in keyof T]: T[Key] };

/** Puts the head over what an entry says, field by field: a head spread into each of ten thousand costs ten times as much. */
function headed(said: Said, one: Entry): LogEntry {
  const { id, author, jobId, at, clockSkew } = one;
  const entry = said as Said & Writable<EntryHead>;
  const { replaces, takesBack, stored } = replacing(one);
  entry.id = id;
  entry.at = timeOf({ at, clockSkew });
  entry.author = author;
  entry.job = jobId ?? undefined;
  entry.replaces = replaces ?? undefined;
  entry.takesBack = takesBack;
  entry.stored = stored;
  return entry;
}

/** An entry as the core knows it; one that says nothing to it may still take another back. */
function readEntry(one: Entry): LogEntry | undefined {
  const said = isReadable(one)
    ? kindOf(one.kind).core(upgraded(one).payload, one.surfaceId ?? undefined)
    : undefined;
  if (said) return headed(said, one);
  return one.replaces === null ? undefined : headed({ kind: 'withdrawn' }, one);
}

/** What was read of an entry; `false` where it says nothing. Entries never change: a log that grows by one reads one. */
const READ = new WeakMap<Entry, LogEntry | false>();

/** The stored log as the core derives from it; entries of a newer program are left out, and so is what they replace. */
export function coreLog(entries: readonly Entry[]): readonly LogEntry[] {
  const log: LogEntry[] = [];
  for (const one of entries) {
    let read = READ.get(one);
    if (read === undefined) READ.set(one, (read = readEntry(one) ?? false));
    if (read) log.push(read);
  }
  return log;
}
