/** Pictures as bare pixels: read within bounds, upright, cut, turned and put on white. */
import sharp, { type Sharp } from 'sharp';
import type { PictureEdit } from '@loom-kin/core/pictures';
import { Refusal } from '@loom-kin/core/refusal';

export const PIXELS_AT_MOST = 50_000_000;
export const SIDE_AT_MOST = 3000;
/** Pictures made of points. Drawings (SVG) are programs: a filter of a few bytes can hold a thread for minutes. */
const FORMATS = new Set(['png', 'jpeg', 'webp', 'heif', 'tiff', 'gif']);
/** Formats that keep every pixel as it is. */
const EXACT = new Set(['png', 'gif', 'tiff']);

export interface Raw {
  data: Buffer;
  width: number;
  height: number;
  channels: 3 | 4;
  /** Whether it came in a format that keeps every pixel, or can be seen through: it is kept as PNG. */
  exact: boolean;
}

export const fromRaw = ({ data, width, height, channels }: Raw): Sharp =>
  sharp(data, { raw: { width, height, channels } });

/** Reads a picture upright, at most 3000 pixels a side; what is none, is cut off or too large is refused by its name. */
export async function readRaw(bytes: Uint8Array, fileName: string): Promise<Raw> {
  try {
    // What it is, is known from its first bytes, before anything is drawn.
    const { format, hasAlpha } = await sharp(bytes, { limitInputPixels: PIXELS_AT_MOST }).metadata();
    if (!FORMATS.has(format)) throw new Refusal('picture.unreadable', { file: fileName });
    const { data, info } = await sharp(bytes, { limitInputPixels: PIXELS_AT_MOST, failOn: 'error' })
      .rotate()
      .resize({ width: SIDE_AT_MOST, height: SIDE_AT_MOST, fit: 'inside', withoutEnlargement: true })
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    const raw = { data, width: info.width, height: info.height, channels: info.channels };
    const isColour = raw.channels === 3 || raw.channels === 4;
    const exact = EXACT.has(format) || hasAlpha;
    if (isColour) return { ...raw, channels: raw.channels as 3 | 4, exact };
    return coloured(raw, exact);
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw /pixel limit/i.test(error instanceof Error ? error.message : '')
      ? new Refusal('picture.too-large', { file: fileName, millions: PIXELS_AT_MOST / 1e6 })
      : new Refusal('picture.unreadable', { file: fileName });
  }
}

/** Pixels of one or two channels with three or four. */
async function coloured(
  raw: { data: Buffer; width: number; height: number; channels: number },
  exact: boolean,
): Promise<Raw> {
  const { data, width, height, channels } = raw;
  const spread = channels === 2 ? 4 : 3;
  const out = Buffer.alloc(width * height * spread);
  for (let at = 0; at < width * height; at++) {
    out.fill(data[at * channels]!, at * spread, at * spread + 3);
    if (spread === 4) out[at * spread + 3] = data[at * channels + 1]!;
  }
  return { data: out, width, height, channels: spread, exact };
}

const WHITE = { r: 255, g: 255, b: 255, alpha: 1 };

/** The picture turned, then cut, then put on a white square. */
export async function editRaw(raw: Raw, { crop, turn, square }: PictureEdit): Promise<Raw> {
  let made = raw;
  const next = async (work: Sharp) => {
    const { data, info } = await work.raw().toBuffer({ resolveWithObject: true });
    made = { ...made, data, width: info.width, height: info.height, channels: info.channels as 3 | 4 };
  };
  if (turn) await next(fromRaw(made).rotate(turn));
  if (crop) {
    const left = Math.min(made.width - 1, Math.round(crop.left * made.width));
    const top = Math.min(made.height - 1, Math.round(crop.top * made.height));
    const width = Math.max(1, Math.min(made.width - left, Math.round(crop.width * made.width)));
    const height = Math.max(1, Math.min(made.height - top, Math.round(crop.height * made.height)));
    await next(fromRaw(made).extract({ left, top, width, height }));
  }
  if (square) {
    const side = Math.max(made.width, made.height);
    await next(fromRaw(made).flatten({ background: WHITE }).resize(side, side, { fit: 'contain', background: WHITE }));
  }
  return made;
}
