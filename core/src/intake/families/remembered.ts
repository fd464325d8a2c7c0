/** What is worked out of a text, or of what many rows share, once: rows say the same many times. */
export function remembered<K, T>(read: (key: K) => T): (key: K) => T {
  const known = new Map<K, T>();
  return (key) => {
    let found = known.get(key);
    if (found === undefined) known.set(key, (found = read(key)));
    return found;
  };
}
