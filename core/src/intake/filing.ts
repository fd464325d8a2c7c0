/** Things filed under what they have in common. */

/** Files one more under a key, in the order they come. */
export function push<K, T>(map: Map<K, T[]>, key: K, one: T): void {
  const list = map.get(key);
  if (list) list.push(one);
  else map.set(key, [one]);
}

/** Files one under a key, once. */
export function put<K, T>(map: Map<K, Set<T>>, key: K, one: T): void {
  const set = map.get(key);
  if (set) set.add(one);
  else map.set(key, new Set([one]));
}
