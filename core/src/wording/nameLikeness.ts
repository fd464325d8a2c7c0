/** How alike two names are, whatever the order of their words and a few letters more or less. */

/** Letters of a name in small ones, its words in alphabetical order. */
function folded(name: string): string {
  return name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .sort()
    .join(' ');
}

function pairsOf(text: string): Map<string, number> {
  const pairs = new Map<string, number>();
  const padded = ` ${text} `;
  for (let at = 0; at < padded.length - 1; at++) {
    const pair = padded.slice(at, at + 2);
    pairs.set(pair, (pairs.get(pair) ?? 0) + 1);
  }
  return pairs;
}

/** A name that many are compared with: its pairs of letters are counted once. */
export function nameLikeness(name: string): (other: string) => number {
  const own = pairsOf(folded(name));
  const ownCount = [...own.values()].reduce((sum, one) => sum + one, 0);
  /** From 0 to 1: twice the pairs of letters both have, of all that they have (the coefficient of Dice, 1945, and Sørensen, 1948). */
  return (other) => {
    const pairs = pairsOf(folded(other));
    let shared = 0;
    let count = 0;
    for (const [pair, times] of pairs) {
      count += times;
      shared += Math.min(times, own.get(pair) ?? 0);
    }
    return (2 * shared) / (ownCount + count);
  };
}
