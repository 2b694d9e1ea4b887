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
