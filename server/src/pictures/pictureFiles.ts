/** Where the files of a picture lie: the picture as it is sent, and a small one for views. */
import { existsSync, mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Kinds of files a picture is kept as. The small ones of before are PNG too. */
const FULL = ['jpg', 'png'] as const;
const SMALL = ['small.webp', 'small.png'] as const;
export type PictureFileEnding = (typeof FULL)[number] | (typeof SMALL)[number];

/** The name of a picture's file in the folder; undefined where it is not there. */
export function pictureFile(folder: string, id: string, size: 'full' | 'small'): string | undefined {
  const endings: readonly string[] = size === 'full' ? FULL : SMALL;
  return endings.map((ending) => `${id}.${ending}`).find((name) => existsSync(join(folder, name)));
}

/** Every file of a picture. */
export const pictureFiles = (folder: string, id: string): string[] =>
  [...FULL, ...SMALL].map((ending) => join(folder, `${id}.${ending}`)).filter((file) => existsSync(file));

/** Puts a file down whole or not at all; one that is there already stays. */
export function putPictureFile(folder: string, id: string, ending: PictureFileEnding, data: Uint8Array): void {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, `${id}.${ending}`);
  if (existsSync(file)) return;
  const part = `${file}.${process.pid}-${Math.random().toString(36).slice(2)}.part`;
  writeFileSync(part, data);
  renameSync(part, file);
}
