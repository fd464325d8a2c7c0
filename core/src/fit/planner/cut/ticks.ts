/** Which of some options there are, a bit for each: what listings hold together is told by words of 32 at a time. */

export interface Ticks {
  bits: Int32Array;
  /** How many there are. */
  count: number;
}

/** Words of bits for so many options. */
export const wordsFor = (options: number): number => (options + 31) >>> 5;

/** The options at these places, of so many. */
export function tick(places: Iterable<number>, options: number): Ticks {
  const bits = new Int32Array(wordsFor(options));
  for (const place of places) bits[place >>> 5]! |= 1 << (place & 31);
  return { bits, count: countBits(bits) };
}

/** The options some children have. */
export function tickChildren(numbers: Int32Array, placeOf: Int32Array, options: number): Ticks {
  const bits = new Int32Array(wordsFor(options));
  for (let at = 0; at < numbers.length; at++) {
    const place = placeOf[numbers[at]!]!;
    bits[place >>> 5]! |= 1 << (place & 31);
  }
  return { bits, count: countBits(bits) };
}

/** How many there are in either. */
export function countTogether(bits: Int32Array, others: Int32Array): number {
  let count = 0;
  for (let word = 0; word < bits.length; word++) count += bitsIn(bits[word]! | others[word]!);
  return count;
}

/** Adds others to some, and says how many those are then. */
export function addTicks(bits: Int32Array, others: Int32Array): number {
  let count = 0;
  for (let word = 0; word < bits.length; word++) count += bitsIn((bits[word]! |= others[word]!));
  return count;
}

function countBits(bits: Int32Array): number {
  let count = 0;
  for (let word = 0; word < bits.length; word++) count += bitsIn(bits[word]!);
  return count;
}

/** Bits set in a word, counted side by side: Warren, Hacker's Delight, 2nd edition, figure 5-2. */
function bitsIn(word: number): number {
  let pairs = word - ((word >>> 1) & 0x55555555);
  pairs = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((pairs + (pairs >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
