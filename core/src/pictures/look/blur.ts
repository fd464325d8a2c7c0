/**
 * How blurred a picture is, without another to compare it with. F. Crété, T. Dolmière, P. Ladret, M. Nicolas, "The blur effect:
 * perception and estimation with a new no-reference perceptual blur metric", 2007: a sharp picture loses much of the difference between
 * neighbours when it is blurred once more, a blurred one hardly any.
 */
import type { Pixels } from './pixels';

/** The length of the blur that is tried, in pixels. */
const TRIED = 9;
/** Every so many lines are looked at: neighbours say the same. */
const EVERY = 4;

/** From 0 (sharp) to 1 (blurred); the worse of the two directions. @param pixels one channel */
export function blurOf(pixels: Pixels): number {
  const { width, height, data } = pixels;
  if (width < TRIED || height < TRIED) return 0;
  return Math.max(along(data, width, height, 1, width), along(data, height, width, width, 1));
}

/** Along lines of `length` pixels that lie `step` apart, `lines` of them `stride` apart; at the ends the last pixel goes on. */
function along(data: Uint8Array, length: number, lines: number, step: number, stride: number): number {
  const half = (TRIED - 1) / 2;
  const line = new Int16Array(length + 2 * half + 1);
  let before = 0;
  let lost = 0;
  for (let number = 0; number < lines; number += EVERY) {
    const start = number * stride;
    for (let n = 0; n < length; n++) line[n + half] = data[start + n * step]!;
    line.fill(line[half]!, 0, half);
    line.fill(line[half + length - 1]!, half + length);
    for (let n = 1; n < length; n++) {
      // How much the blurred line goes up or down here.
      const gained = line[n + TRIED - 1]! - line[n - 1]!;
      const sharp = Math.abs(line[n + half]! - line[n + half - 1]!);
      before += sharp;
      const left = sharp - Math.abs(gained) / TRIED;
      if (left > 0) lost += left;
    }
  }
  return before === 0 ? 0 : (before - lost) / before;
}
