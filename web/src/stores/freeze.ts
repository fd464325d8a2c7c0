/** Freezes plain data all the way down: indexes are remembered for frozen families only. */
export function freeze<T>(data: T): T {
  if (data && typeof data === 'object' && !Object.isFrozen(data)) {
    Object.freeze(data);
    Object.values(data).forEach(freeze);
  }
  return data;
}
