/**
 * A perceptual hash by the discrete cosine transform: alike pictures have alike hashes, whatever their size and format. After C. Zauner,
 * "Implementation and Benchmarking of Perceptual Image Hash Functions", 2010, section 3.2 (pHash), with more frequencies, and with
 * those left out that hardly occur: goods photographed straight from the front are the same on the left as on the right, and what tells
 * the sides apart falls either way.
 */
import type { Pixels } from './pixels';

/** The side of the picture that is hashed, and how many low frequencies are kept along each. */
export const HASHED_SIDE = 64;
const KEPT = 16;
/** A frequency counts where it is stronger than this share of what is usual in the picture. */
const STRONG = 0.05;
/** Pictures whose number of strong frequencies differs more do not look alike. */
const LEAST_SHARED = 0.6;

/** 256 bits each, as 64 hexadecimal digits: whether a frequency is above zero, and whether it is strong. */
export interface PictureHash {
  bits: string;
  strong: string;
}

/** Row k of the transform: cos((2x + 1) k π / 2N). */
const COSINES = Array.from({ length: KEPT + 1 }, (_, k) =>
  Float64Array.from({ length: HASHED_SIDE }, (_, x) => Math.cos(((2 * x + 1) * k * Math.PI) / (2 * HASHED_SIDE))),
);

/** The hash of a picture. @param pixels 64 × 64, one channel */
export function perceptualHash({ data }: Pixels): PictureHash {
  const rows = COSINES.map((cosine) => {
    const row = new Float64Array(HASHED_SIDE);
    for (let y = 0; y < HASHED_SIDE; y++)
      for (let x = 0; x < HASHED_SIDE; x++) row[y]! += cosine[x]! * data[y * HASHED_SIDE + x]!;
    return row;
  });
  const low: number[] = [];
  for (let v = 1; v <= KEPT; v++)
    for (let u = 1; u <= KEPT; u++) {
      let sum = 0;
      for (let y = 0; y < HASHED_SIDE; y++) sum += COSINES[v]![y]! * rows[u]![y]!;
      low.push(sum);
    }
  const usual = Math.sqrt(low.reduce((sum, one) => sum + one * one, 0) / low.length);
  return {
    bits: hexOf(low.map((one) => one > 0)),
    strong: hexOf(low.map((one) => Math.abs(one) > STRONG * usual && usual > 1)),
  };
}

const hexOf = (bits: readonly boolean[]): string =>
  Array.from({ length: bits.length / 4 }, (_, at) =>
    bits
      .slice(at * 4, at * 4 + 4)
      .reduce((digit, bit) => digit * 2 + (bit ? 1 : 0), 0)
      .toString(16),
  ).join('');

/** Hashes as 32-bit words, read once each: families of many pictures compare every one with every other. */
const words = new WeakMap<PictureHash, { bits: Uint32Array; strong: Uint32Array; count: number }>();
function wordsOf(hash: PictureHash) {
  let known = words.get(hash);
  if (!known) {
    const read = (text: string) => Uint32Array.from(text.match(/.{8}/g) ?? [], (part) => Number.parseInt(part, 16));
    const strong = read(hash.strong);
    known = { bits: read(hash.bits), strong, count: strong.reduce((sum, word) => sum + ones(word), 0) };
    words.set(hash, known);
  }
  return known;
}

/** How different two pictures look, from 0 to 1: the share of the frequencies strong in both that point the other way. */
export function hashDistance(one: PictureHash, other: PictureHash): number {
  const [a, b] = [wordsOf(one), wordsOf(other)];
  const most = Math.max(a.count, b.count);
  // Two even pictures look alike; their colours tell them apart.
  if (most === 0) return 0;
  let [both, differ] = [0, 0];
  for (let at = 0; at < a.bits.length; at++) {
    const shared = a.strong[at]! & b.strong[at]!;
    both += ones(shared);
    differ += ones(shared & (a.bits[at]! ^ b.bits[at]!));
  }
  return both < most * LEAST_SHARED ? 1 : differ / both;
}

/** How many bits of a word are set (H. S. Warren, "Hacker's Delight", 2012, section 5-1). */
function ones(word: number): number {
  let n = word - ((word >>> 1) & 0x55555555);
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333);
  return Math.imul((n + (n >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
