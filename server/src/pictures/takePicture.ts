/** Pictures: taken in, looked at, kept under the digest of what they show, handed out in two sizes. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inArray } from 'drizzle-orm';
import sharp from 'sharp';
import { Refusal, type PictureFacts } from '@loom-kin/core';
import type { Database } from '../store/database';
import { pictures } from '../store/schema';

const PIXELS_AT_MOST = 50_000_000;
const SIDE_AT_MOST = 3000;
/** Pictures made of points. Drawings (SVG) are programs: a filter of a few bytes can hold a thread for minutes. */
const FORMATS = new Set(['png', 'jpeg', 'webp', 'heif', 'tiff', 'gif']);

/** Takes one file in. What is no picture is refused with its name. The same picture twice is one picture. */
export async function takePicture(
  database: Database,
  folder: string,
  fileName: string,
  bytes: Buffer,
): Promise<PictureFacts> {
  let png: Buffer;
  let size: { width: number; height: number };
  try {
    // What it is, is known from its first bytes, before anything is drawn.
    const { format } = await sharp(bytes, { limitInputPixels: PIXELS_AT_MOST }).metadata();
    if (!FORMATS.has(format)) throw new Refusal('picture.unreadable', { file: fileName });
    const made = await sharp(bytes, { limitInputPixels: PIXELS_AT_MOST, failOn: 'error' })
      .rotate()
      .resize({ width: SIDE_AT_MOST, height: SIDE_AT_MOST, fit: 'inside', withoutEnlargement: true })
      .png({ compressionLevel: 6 })
      .toBuffer({ resolveWithObject: true });
    png = made.data;
    size = { width: made.info.width, height: made.info.height };
  } catch (error) {
    if (error instanceof Refusal) throw error;
    const tooLarge = error instanceof Error && /pixel limit/i.test(error.message);
    throw tooLarge
      ? new Refusal('picture.too-large', { file: fileName, millions: PIXELS_AT_MOST / 1e6 })
      : new Refusal('picture.unreadable', { file: fileName });
  }
  const id = createHash('sha256').update(png).digest('hex').slice(0, 24);
  const facts: PictureFacts = {
    id,
    fileName: fileName.slice(0, 120),
    ...size,
    whiteBackground: await hasWhiteBorder(png),
  };
  mkdirSync(folder, { recursive: true });
  for (const [suffix, data] of [
    ['', png],
    ['.small', await sharp(png).resize(240, 240, { fit: 'inside' }).png().toBuffer()],
  ] as const) {
    const file = join(folder, `${id}${suffix}.png`);
    if (existsSync(file)) continue;
    writeFileSync(file + '.part', data);
    renameSync(file + '.part', file);
  }
  database.insert(pictures).values({ id, facts, at: new Date().toISOString() }).onConflictDoNothing().run();
  return database
    .select()
    .from(pictures)
    .where(inArray(pictures.id, [id]))
    .get()!.facts;
}

/** Whether the outermost pixels are white or clear: at least 98 of 100 within 12 of pure white. */
async function hasWhiteBorder(png: Buffer): Promise<boolean> {
  const side = 64;
  const raw = await sharp(png)
    .flatten({ background: '#FFFFFF' })
    .resize(side, side, { fit: 'fill', kernel: 'nearest' })
    .removeAlpha()
    .raw()
    .toBuffer();
  let white = 0;
  let seen = 0;
  for (let y = 0; y < side; y++) {
    for (let x = 0; x < side; x++) {
      if (x > 0 && y > 0 && x < side - 1 && y < side - 1) continue;
      seen += 1;
      const at = (y * side + x) * 3;
      if (raw[at]! > 243 && raw[at + 1]! > 243 && raw[at + 2]! > 243) white += 1;
    }
  }
  return white / seen >= 0.98;
}
