import { addTo } from './lists';

/** An entry of a log that may stand in the place of another. */
export interface Replacing {
  readonly id: string;
  /** The entry it corrects or takes back. */
  readonly replaces?: string | null | undefined;
  /** It says nothing in the place of that, but takes it back: as if it had never been written. */
  readonly takesBack?: boolean | undefined;
  /** Its place in the order of the server: any number that grows. Later than all where the server has not seen it. */
  readonly stored?: number | undefined;
}

/**
 * What of a log does not hold, and what stands over it. A correction stands over what it corrects; of two corrections of one entry
 * the later counts, by the order of the server; and what takes a correction back gives back what that had corrected. However the
 * entries came, the same holds.
 */
export function overruled(log: Iterable<Replacing>): ReadonlyMap<string, string> {
  const replacers = new Map<string, Replacing[]>();
  for (const one of log) if (one.replaces) addTo(replacers, one.replaces, one);
  const later = (one: Replacing, other: Replacing): boolean => {
    const [a, b] = [one.stored ?? Infinity, other.stored ?? Infinity];
    return a === b ? one.id > other.id : a > b;
  };
  const known = new Map<string, Replacing | undefined>();
  /** What stands over an entry: the latest of those in its place that were not taken back. */
  const over = (id: string): Replacing | undefined => {
    if (known.has(id)) return known.get(id);
    // Entries that replace each other in a circle, which no program writes, hold nothing back.
    known.set(id, undefined);
    let found: Replacing | undefined;
    for (const one of replacers.get(id) ?? []) {
      if (over(one.id)?.takesBack === true) continue;
      if (!found || later(one, found)) found = one;
    }
    known.set(id, found);
    return found;
  };
  const found = new Map<string, string>();
  for (const [id, all] of replacers) {
    const winner = over(id);
    if (winner) found.set(id, winner.id);
    for (const one of all) {
      const above = over(one.id) ?? (winner && winner !== one ? winner : undefined);
      if (above) found.set(one.id, above.id);
    }
  }
  return found;
}
