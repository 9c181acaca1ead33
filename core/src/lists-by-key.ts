/** Adds an entry to the list of a key, in place: a list that is copied for each of its entries takes ever longer. */
export function addTo<Key, One>(lists: Map<Key, One[]>, key: Key, one: One): void {
  const list = lists.get(key);
  if (list === undefined) lists.set(key, [one]);
  else list.push(one);
}
