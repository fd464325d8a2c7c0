/**
 * Pictures of several options put on one, for accounts that have room for fewer pictures than there are options. What such a picture
 * shows decides its id, so that it is another picture as soon as one of those on it is, and is made when somebody asks for it.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { z } from 'zod';

/** So many options are put on one picture, three in a row. */
export const MOST_PARTS = 9;
/** Its sides, in pixels. */
export const COMBINED_SIDE = 1600;

/** How the options are named on it: by their own names, or by letters that are explained below. */
export const COMBINED_LABELS = ['names', 'letters'] as const;

export const CombinedSchema = z.object({
  labels: z.enum(COMBINED_LABELS),
  parts: z
    .array(
      z.object({ picture: z.string().regex(/^[0-9a-f]{24}$/), label: z.string().max(80), letter: z.string().max(2) }),
    )
    .min(2)
    .max(MOST_PARTS),
});
export type Combined = z.infer<typeof CombinedSchema>;

/** The id of a combined picture: 24 hexadecimal digits of the digest of what is on it (SHA-256, FIPS 180-4). */
export function combinedId({ labels, parts }: Combined): string {
  const told = parts.map(({ picture, label, letter }) => [picture, label, letter]);
  return bytesToHex(sha256(utf8ToBytes(JSON.stringify(['combined', labels, told])))).slice(0, 24);
}

/** A, B … Z, AA, AB … */
export function letterOf(at: number): string {
  const rest = at < 26 ? '' : letterOf(Math.floor(at / 26) - 1);
  return rest + String.fromCharCode(65 + (at % 26));
}

/** Things in their order, in at most so many groups as even as can be, none larger than `most`; what is too much is left. */
export function sharedOut<T>(all: readonly T[], groups: number, most: number): T[][] {
  const taken = all.slice(0, groups * most);
  const shared: T[][] = [];
  for (let left = groups, from = 0; left > 0 && from < taken.length; left--) {
    const size = Math.ceil((taken.length - from) / left);
    shared.push(taken.slice(from, from + size));
    from += size;
  }
  return shared;
}
