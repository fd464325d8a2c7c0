/**
 * How blurred a picture is, without another to compare it with. F. Crété, T. Dolmière, P. Ladret, M. Nicolas, "The blur effect:
 * perception and estimation with a new no-reference perceptual blur metric", 2007: a sharp picture loses much of the difference between
 * neighbours when it is blurred once more, a blurred one hardly any.
 */
import type { Pixels } from './pixels';

/** The length of the blur that is tried, in pixels. */
const TRIED = 9;

/** From 0 (sharp) to 1 (blurred); the worse of the two directions. @param pixels one channel */
export function blurOf(pixels: Pixels): number {
  const { width, height, data } = pixels;
  if (width < TRIED || height < TRIED) return 0;
  return Math.max(along(data, width, height, 1, width), along(data, height, width, width, 1));
}

/** Along lines of `length` pixels that lie `step` apart, `lines` of them `stride` apart. */
function along(data: Uint8Array, length: number, lines: number, step: number, stride: number): number {
  const half = (TRIED - 1) / 2;
  let before = 0;
  let lost = 0;
  for (let line = 0; line < lines; line++) {
    const start = line * stride;
    const at = (n: number) => data[start + Math.min(length - 1, Math.max(0, n)) * step]!;
    let sum = 0;
    for (let n = -half; n <= half; n++) sum += at(n);
    for (let n = 1; n < length; n++) {
      const last = sum;
      sum += at(n + half) - at(n - 1 - half);
      const sharp = Math.abs(at(n) - at(n - 1));
      before += sharp;
      lost += Math.max(0, sharp - Math.abs(sum - last) / TRIED);
    }
  }
  return before === 0 ? 0 : (before - lost) / before;
}
