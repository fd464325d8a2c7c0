/** Uploads, bounded in size and number: all of them are put down in a folder under names of their own. */
import { mkdirSync } from 'node:fs';
import type { RequestHandler } from 'express';
import multer from 'multer';
import { Refusal } from '@loom-kin/core/refusal';

const MEGABYTE = 1024 * 1024;

function intoFolder(folder: string, limits: { megabytes: number; files: number }, keepPaths = false) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return multer({
    dest: folder,
    preservePath: keepPaths,
    limits: { fileSize: limits.megabytes * MEGABYTE, files: limits.files, fields: 5, parts: limits.files + 10 },
  });
}

/** A backup, with all pictures in it. */
export const oneBackup = (folder: string) => intoFolder(folder, { megabytes: 4096, files: 1 }).single('file');
export const oneSheet = (folder: string) => intoFolder(folder, { megabytes: 30, files: 1 }).single('file');
/** Pictures that go to one place. */
export const manyPictures = (folder: string) => intoFolder(folder, { megabytes: 25, files: 40 }).array('files', 40);
/** Pictures and archives of them, with the folders they lie in. */
export const manyFiles = (folder: string) =>
  intoFolder(folder, { megabytes: 2048, files: 2000 }, true).array('files', 2000);

/** All that comes with one request is no larger than this, in megabytes. */
const TOGETHER_AT_MOST = 4096;

/** Refuses what is larger, or does not say how large it is, before any of it is put down. */
export const requireLength: RequestHandler = (request, _response, next) => {
  const length = Number(request.headers['content-length'] ?? NaN);
  next(length <= TOGETHER_AT_MOST * MEGABYTE ? undefined : new Refusal('input.too-large', {}));
};

/** The name a browser gave a file, with its folders where they were kept; multer reads it as Latin-1. */
export const pathOf = (file: Express.Multer.File): string =>
  Buffer.from(file.originalname, 'latin1').toString('utf8').slice(-500);
/** The end of the name that a browser gave a file. */
export const fileNameOf = (file: Express.Multer.File): string => pathOf(file).slice(-120);
