/**
 * A perceptual hash by the discrete cosine transform: alike pictures have alike hashes, whatever their size and format. C. Zauner,
 * "Implementation and Benchmarking of Perceptual Image Hash Functions", 2010, section 3.2 (pHash).
 */
import type { Pixels } from './pixels';

/** The side of the picture that is hashed, and of the low frequencies that are kept. */
export const HASHED_SIDE = 32;
const KEPT = 8;

/** Row k of the transform: cos((2x + 1) k π / 2N). */
const COSINES = Array.from({ length: KEPT + 1 }, (_, k) =>
  Float64Array.from({ length: HASHED_SIDE }, (_, x) => Math.cos(((2 * x + 1) * k * Math.PI) / (2 * HASHED_SIDE))),
);

/**
 * 64 bits as 16 hexadecimal digits: whether each of the 8 × 8 lowest frequencies, without the evenly bright one, lies above their median.
 * @param pixels 32 × 32, one channel
 */
export function perceptualHash({ data }: Pixels): string {
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
  const median = low.toSorted((a, b) => a - b)[low.length / 2]!;
  let hash = '';
  for (let at = 0; at < low.length; at += 4)
    hash += low
      .slice(at, at + 4)
      .reduce((digit, one) => digit * 2 + (one > median ? 1 : 0), 0)
      .toString(16);
  return hash;
}

/** In how many of their 64 bits two hashes differ. */
export function hashDistance(a: string, b: string): number {
  let differ = 0;
  for (let at = 0; at < 16; at++) {
    let bits = Number.parseInt(a[at]!, 16) ^ Number.parseInt(b[at]!, 16);
    for (; bits > 0; bits >>= 1) differ += bits & 1;
  }
  return differ;
}
