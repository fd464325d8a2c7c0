/** The entry of a table under a key, or undefined: only what was written there, never what every object has, such as `constructor`. */
export function ownOf<T>(table: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(table, key) ? table[key] : undefined;
}
