/** The pictures in an archive, one after another, within bounds; what cannot be taken is told by its name, and the rest goes on. */
import { buffer } from 'node:stream/consumers';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@loom-kin/core/refusal';
import { MEGABYTES_AT_MOST } from './bounds';

const MEGABYTE = 1024 * 1024;
const ENTRIES_AT_MOST = 5000;
/** Unpacked, all together. */
const UNPACKED_AT_MOST = 4000 * MEGABYTE;

/** One file of an archive: its bytes, or why it is left out. */
export type Unpacked = { path: string; read: () => Promise<Uint8Array> } | { path: string; refusal: Refusal };

/** What programs put into archives beside what one packs. */
const isLitter = (path: string) => /(^|\/)(__MACOSX\/|\.[^./]|Thumbs\.db$|desktop\.ini$)/i.test(path);

/** How many files an archive says it holds; null where it cannot be read. */
export async function countIn(file: string): Promise<number | null> {
  try {
    const zip = await open(file);
    zip.close();
    return Math.min(zip.entryCount, ENTRIES_AT_MOST);
  } catch {
    return null;
  }
}

// Names are looked at here: one that is amiss costs itself, not the whole archive.
const open = (file: string): Promise<ZipFile> =>
  yauzl.openPromise(file, { lazyEntries: true, decodeStrings: false, autoClose: false });

/** Every picture of an archive in its order. Each has to be read, or left, before the next. */
export async function* unpack(file: string, fileName: string): AsyncIterable<Unpacked> {
  let zip: ZipFile | undefined;
  let unpacked = 0;
  let count = 0;
  const broken = () => ({ path: fileName, refusal: new Refusal('picture.archive-broken', { file: fileName }) });
  try {
    zip = await open(file);
    for await (const entry of zip.eachEntry()) {
      const path = nameOf(entry);
      if (path.endsWith('/') || isLitter(path)) continue;
      if (++count > ENTRIES_AT_MOST) {
        yield {
          path: fileName,
          refusal: new Refusal('picture.many-in-archive', { file: fileName, most: ENTRIES_AT_MOST }),
        };
        return;
      }
      const refusal = whyNot(entry, path);
      if (refusal) {
        yield { path, refusal };
        continue;
      }
      unpacked += entry.uncompressedSize;
      if (unpacked > UNPACKED_AT_MOST) {
        yield {
          path: fileName,
          refusal: new Refusal('picture.bomb', { file: fileName, megabytes: UNPACKED_AT_MOST / MEGABYTE }),
        };
        return;
      }
      const archive = zip;
      yield { path, read: () => readEntry(archive, entry, path) };
    }
  } catch {
    yield broken();
  } finally {
    zip?.close();
  }
}

function nameOf(entry: Entry): string {
  const raw = entry.fileName as unknown as Buffer;
  return yauzl.getFileNameLowLevel(entry.generalPurposeBitFlag, raw, entry.extraFields, false).replaceAll('\\', '/');
}

function whyNot(entry: Entry, path: string): Refusal | null {
  const file = path.slice(-120);
  if (yauzl.validateFileName(path) !== null) return new Refusal('picture.path', { file });
  if (entry.isEncrypted()) return new Refusal('picture.locked', { file });
  if (/\.(zip|rar|7z|tar|gz)$/i.test(path)) return new Refusal('picture.in-archive', { file });
  if (entry.uncompressedSize > MEGABYTES_AT_MOST * MEGABYTE)
    return new Refusal('picture.too-heavy', { file, megabytes: MEGABYTES_AT_MOST });
  return null;
}

/** The size an entry says is also the most that is read of it. */
async function readEntry(zip: ZipFile, entry: Entry, path: string): Promise<Uint8Array> {
  try {
    return await buffer(await zip.openReadStreamPromise(entry));
  } catch {
    throw new Refusal('picture.unreadable', { file: path.slice(-120) });
  }
}
