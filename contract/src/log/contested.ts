import { addTo, overruled } from '@fine-spray/core/grouping';
import { replacing, type Entry } from '../entry';

const replacersAmong = (entries: readonly Entry[]) => entries.filter(({ replaces }) => replaces !== null);

/** What of a log does not hold, by its id, and the id of what stands over it (`overruled` of the core). */
export const overruledAmong = (entries: readonly Entry[]): ReadonlyMap<string, string> =>
  overruled(replacersAmong(entries).map(replacing));

/** Entries that were corrected more than once, by devices that did not know of each other, with those corrections: one of them counts, and somebody has to look. */
export function contested(entries: readonly Entry[]): ReadonlyMap<string, readonly Entry[]> {
  const replacers = replacersAmong(entries);
  const byId = new Map(replacers.map((one) => [one.id, one]));
  const over = overruledAmong(replacers);
  const standing = new Map<string, Entry[]>();
  for (const one of replacers) {
    const above = byId.get(over.get(one.id) ?? '');
    const takenBack = above?.kind === 'withdrawn' && above.replaces === one.id;
    if (one.replaces !== null && !takenBack) addTo(standing, one.replaces, one);
  }
  return new Map([...standing].filter(([, all]) => all.length > 1));
}
