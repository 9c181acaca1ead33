/** Appends an entry to the list of a key, in place: copying the list for each entry would take quadratic time. */
export function appendToGroup<Key, One>(lists: Map<Key, One[]>, key: Key, one: One): void {
  const list = lists.get(key);
  if (list === undefined) lists.set(key, [one]);
  else list.push(one);
}
