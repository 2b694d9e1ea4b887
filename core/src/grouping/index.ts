import { overruled, type Replacing } from './overruled';

export { addTo } from './lists';
export { overruled, type Replacing } from './overruled';

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

/** What holds of a log that is only added to (`overruled`), in the order of time. */
export function inForce<Logged extends Timed & Replacing>(log: readonly Logged[]): readonly Logged[] {
  const over = overruled(log);
  return ordered(over.size === 0 ? log : log.filter(({ id }) => !over.has(id)), byTime);
}
