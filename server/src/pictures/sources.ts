/** Where the pictures of an intake come from: files, archives and addresses, each picture of them in its order. */
import { readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Refusal } from '@loom-kin/core';
import type { PictureJob } from '../store/schema';
import { MEGABYTES_AT_MOST } from './bounds';
import type { Fetcher } from './fetchPicture';
import { countIn, unpack, type Unpacked } from './unpack';

const isArchive = (fileName: string) => /\.zip$/i.test(fileName);

/** So many pictures are to come, as far as that can be said before they are read. */
export async function countSources({ files, addresses }: PictureJob, folder: string): Promise<number> {
  let count = addresses.length;
  for (const { file, fileName } of files) count += isArchive(fileName) ? ((await countIn(join(folder, file))) ?? 1) : 1;
  return count;
}

/** Every picture, in the same order each time. */
export async function* sourcesOf(job: PictureJob, folder: string, fetcher: Fetcher): AsyncIterable<Unpacked> {
  for (const { file, fileName } of job.files) {
    if (isArchive(fileName)) yield* unpack(join(folder, file), fileName);
    else yield { path: fileName, read: () => readWhole(join(folder, file), fileName) };
  }
  for (const address of job.addresses) yield { path: address, read: () => fetcher.fetch(address) };
}

async function readWhole(path: string, fileName: string): Promise<Uint8Array> {
  const { size } = await stat(path);
  if (size > MEGABYTES_AT_MOST * 1024 * 1024)
    throw new Refusal('picture.too-heavy', { file: fileName.slice(-120), megabytes: MEGABYTES_AT_MOST });
  return readFile(path);
}
