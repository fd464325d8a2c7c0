/** Looking up by text that comes from outside. */

/**
 * The entry of a table under a key, or undefined: only what was written there, never what every object has, such as `constructor`.
 * @param key any text
 */
export function ownOf<T>(table: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(table, key) ? table[key] : undefined;
}

/** Whether every object has a property of this name, so that a record cannot be looked up by it without finding that. */
export const isCommonName = (name: string): boolean => name in Object.prototype;

/** A text made fit to be a key of a record: one that every object has stands behind a space, which no trimmed text begins with. */
export const recordKey = (text: string): string => (isCommonName(text) ? ` ${text}` : text);
