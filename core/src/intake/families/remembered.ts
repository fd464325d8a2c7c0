/** What is worked out of a text, once: rows say the same many times. */
export function remembered<T>(read: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    let found = known.get(text);
    if (found === undefined) known.set(text, (found = read(text)));
    return found;
  };
}
