/** Questions about many families, asked of the worker threads a share at a time. */

/** So many families are given to a thread at once. */
const SHARE = 40;

export function inShares<T>(familyIds: readonly string[], ask: (share: string[]) => Promise<T>): Promise<T[]> {
  const shares = Array.from({ length: Math.ceil(familyIds.length / SHARE) }, (_, at) =>
    familyIds.slice(at * SHARE, (at + 1) * SHARE),
  );
  return Promise.all(shares.map(ask));
}
