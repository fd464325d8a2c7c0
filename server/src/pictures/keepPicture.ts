/** Keeps a picture under the digest of its content, with a small one beside it, and says what is seen in it. */
import { createHash } from 'node:crypto';
import type { PictureEdit, PictureFacts } from '@loom-kin/core/pictures';
import { lookAt } from './lookAt';
import { pictureFile, putPictureFile } from './pictureFiles';
import { editRaw, fromRaw, readRaw, type Raw } from './raw';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

const SMALL_SIDE = 240;

/** Takes a file in. What is no picture is refused with its name. The same picture twice is one picture. */
export async function keepFile(folder: string, fileName: string, bytes: Uint8Array): Promise<PictureFacts> {
  return keepRaw(folder, fileName, await readRaw(bytes, fileName));
}

/** Makes another picture of one that is kept. */
export async function keepEdited(folder: string, from: PictureFacts, edit: PictureEdit): Promise<PictureFacts> {
  const file = pictureFile(folder, from.id, 'full');
  const raw = await readRaw(file ? await readFile(join(folder, file)) : new Uint8Array(), from.fileName);
  const made = await keepRaw(folder, from.fileName, await editRaw(raw, edit));
  return { ...made, madeOf: from.id };
}

/** Looks anew at a picture that is kept. */
export async function lookAgain(folder: string, facts: PictureFacts): Promise<PictureFacts> {
  const file = pictureFile(folder, facts.id, 'full');
  if (!file) return facts;
  const bytes = await readFile(join(folder, file));
  return { ...facts, ...(await lookAt(await readRaw(bytes, facts.fileName))), bytes: bytes.length };
}

/** The digest of what a picture shows: the same pixels have the same, in whatever format they came. */
function digestOf({ data, width, height, channels }: Raw): string {
  const size = `${width} ${height} ${channels} `;
  return createHash('sha256').update(size).update(data).digest('hex').slice(0, 24);
}

export async function keepRaw(folder: string, fileName: string, raw: Raw): Promise<PictureFacts> {
  const picture = raw.exact
    ? fromRaw(raw).png({ compressionLevel: 6 })
    : fromRaw(raw).jpeg({ quality: 92, chromaSubsampling: '4:4:4' });
  const [data, small, seen] = await Promise.all([
    picture.toBuffer(),
    fromRaw(raw).resize(SMALL_SIDE, SMALL_SIDE, { fit: 'inside' }).webp({ quality: 80, effort: 1 }).toBuffer(),
    lookAt(raw),
  ]);
  const id = digestOf(raw);
  putPictureFile(folder, id, 'small.webp', small);
  putPictureFile(folder, id, raw.exact ? 'png' : 'jpg', data);
  const { width, height } = raw;
  return { id, fileName: fileName.slice(-120), width, height, bytes: data.length, ...seen };
}
