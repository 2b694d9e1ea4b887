/** Adds one to the list of its key; the list is made with the first. */
export function addTo<Key, One>(lists: Map<Key, One[]>, key: Key, one: One): void {
  const list = lists.get(key);
  if (list) list.push(one);
  else lists.set(key, [one]);
}

/** A list in order: the list itself where it already is, since looking costs less than sorting. */
export function ordered<One>(list: readonly One[], compare: (a: One, b: One) => number): readonly One[] {
  for (let index = 1; index < list.length; index += 1) {
    if (compare(list[index - 1] as One, list[index] as One) > 0) return [...list].sort(compare);
  }
  return list;
}

/** Something that happened: when, ms since 1970, and its id. */
export interface Timed {
  readonly id: string;
  readonly at: number;
}

/** By time, then by id, so that two devices with the same list have it in the same order. */
export const byTime = (a: Timed, b: Timed): number => a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/**
 * What holds of a log that is only added to: what nothing replaces, in the order of time. A correction of a correction holds
 * alone; one that names an unknown entry holds as it is.
 */
export function inForce<Logged extends Timed & { readonly replaces?: string | null | undefined }>(
  log: readonly Logged[],
): readonly Logged[] {
  const replaced = new Set<string>();
  for (const { replaces } of log) if (replaces) replaced.add(replaces);
  return ordered(
    log.filter(({ id }) => !replaced.has(id)),
    byTime,
  );
}
