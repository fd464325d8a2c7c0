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

/** How different two pictures look, from 0 to 1: the share of the frequencies strong in both that point the other way. */
export function hashDistance(a: PictureHash, b: PictureHash): number {
  let [inA, inB, both, differ] = [0, 0, 0, 0];
  for (let at = 0; at < a.bits.length; at++) {
    const [strongA, strongB] = [Number.parseInt(a.strong[at]!, 16), Number.parseInt(b.strong[at]!, 16)];
    const shared = strongA & strongB;
    inA += ONES[strongA]!;
    inB += ONES[strongB]!;
    both += ONES[shared]!;
    differ += ONES[shared & (Number.parseInt(a.bits[at]!, 16) ^ Number.parseInt(b.bits[at]!, 16))]!;
  }
  const most = Math.max(inA, inB);
  // Two even pictures look alike; their colours tell them apart.
  if (most === 0) return 0;
  return both < most * LEAST_SHARED ? 1 : differ / both;
}

/** How many bits of a hexadecimal digit are set. */
const ONES = [0, 1, 1, 2, 1, 2, 2, 3, 1, 2, 2, 3, 2, 3, 3, 4];
