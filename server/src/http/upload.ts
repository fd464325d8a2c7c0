/** Uploads, bounded in size and number: sheets are put down in a folder, pictures held in memory until they are read. */
import { mkdirSync } from 'node:fs';
import multer from 'multer';

const MEGABYTE = 1024 * 1024;

/** One sheet, put down in the folder under a name of its own. */
export function oneSheet(folder: string) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return multer({ dest: folder, limits: { fileSize: 30 * MEGABYTE, files: 1, fields: 5, parts: 10 } }).single('file');
}
export const manyPictures = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: 25 * MEGABYTE, files: 40, fields: 5, parts: 50 },
}).array('files', 40);

/** The name a browser gave a file; multer reads it as Latin-1. */
export const fileNameOf = (file: Express.Multer.File): string =>
  Buffer.from(file.originalname, 'latin1').toString('utf8').slice(-120);
