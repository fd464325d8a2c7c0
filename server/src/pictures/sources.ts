/** Where the pictures of an intake come from: files, archives and addresses, each picture of them in its order. */
import { readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Refusal } from '@loom-kin/core/refusal';
import type { PictureJob, SettledPicture } from '../store/schema';
import { MEGABYTES_AT_MOST } from './bounds';
import type { Fetcher } from './fetchPicture';
import { countIn, unpack, type Unpacked } from './unpack';

const isArchive = (fileName: string) => /\.zip$/i.test(fileName);

/** A picture on its way in, and where it goes if whoever brought it said so. */
export type Brought = Unpacked & { settled?: SettledPicture | undefined };

/** So many pictures are to come, as far as that can be said before they are read. */
export async function countSources({ files, addresses }: PictureJob, folder: string): Promise<number> {
  let count = addresses.length;
  for (const { file, fileName } of files) count += isArchive(fileName) ? ((await countIn(join(folder, file))) ?? 1) : 1;
  return count;
}

/** Every picture, in the same order each time. */
export async function* sourcesOf(job: PictureJob, folder: string, fetcher: Fetcher): AsyncIterable<Brought> {
  for (const { file, fileName } of job.files) {
    if (isArchive(fileName)) yield* unpack(join(folder, file), fileName);
    else yield { path: fileName, read: () => readWhole(join(folder, file), fileName) };
  }
  // One that goes to several places stands there one after the other, and is fetched once.
  let last: { address: string; bytes: Promise<Uint8Array> } | undefined;
  const fetchOnce = (address: string) => {
    if (last?.address !== address) last = { address, bytes: fetcher.fetch(address) };
    return last.bytes;
  };
  for (const [at, address] of job.addresses.entries())
    yield { path: address, read: () => fetchOnce(address), settled: job.places?.[at] };
}

async function readWhole(path: string, fileName: string): Promise<Uint8Array> {
  const { size } = await stat(path);
  if (size > MEGABYTES_AT_MOST * 1024 * 1024)
    throw new Refusal('picture.too-heavy', { file: fileName.slice(-120), megabytes: MEGABYTES_AT_MOST });
  return readFile(path);
}
