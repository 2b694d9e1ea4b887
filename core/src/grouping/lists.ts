/** Adds one to the list of its key; the list is made with the first. */
export function addTo<Key, One>(lists: Map<Key, One[]>, key: Key, one: One): void {
  const list = lists.get(key);
  if (list) list.push(one);
  else lists.set(key, [one]);
}
