/** Uploads, bounded in size and number, held in memory until they are read. */
import multer from 'multer';

const MEGABYTE = 1024 * 1024;

export const oneSheet = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: 30 * MEGABYTE, files: 1, fields: 5, parts: 10 },
}).single('file');
export const manyPictures = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: 25 * MEGABYTE, files: 40, fields: 5, parts: 50 },
}).array('files', 40);

/** The name a browser gave a file; multer reads it as Latin-1. */
export const fileNameOf = (file: Express.Multer.File): string =>
  Buffer.from(file.originalname, 'latin1').toString('utf8').slice(-120);
