/** A look into a workbook before it is read: how large it would become, and which of its sheets is the first. */
import { text } from 'node:stream/consumers';
import { fromBufferPromise, type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@loom-kin/core';

const MEGABYTE = 1024 * 1024;
/** Unpacked, all parts together. */
const UNPACKED_AT_MOST = 400 * MEGABYTE;
/** The parts that name the sheets. */
const NAMES_AT_MOST = 2 * MEGABYTE;
const PARTS_AT_MOST = 5000;

export interface Workbook {
  /** The first sheet: its number in the workbook, and that of its part. */
  firstSheet: { id: string; part: string };
}

/** Reads the directory of the file. A file that is cut off, has no sheet or is larger unpacked than is taken is refused. */
export async function lookIntoZip(bytes: Buffer, fileName: string): Promise<Workbook> {
  let zip: ZipFile;
  const parts = new Map<string, Entry>();
  try {
    zip = await fromBufferPromise(bytes, { lazyEntries: true });
    let unpacked = 0;
    for await (const entry of zip.eachEntry()) {
      unpacked += entry.uncompressedSize;
      if (unpacked > UNPACKED_AT_MOST || parts.size >= PARTS_AT_MOST)
        throw new Refusal('sheet.bomb', { file: fileName, megabytes: UNPACKED_AT_MOST / MEGABYTE });
      parts.set(entry.fileName, entry);
    }
    const tag = /<(?:\w+:)?sheet\s[^>]*>/.exec(await partText(zip, parts.get('xl/workbook.xml')))?.[0] ?? '';
    const relations = await partText(zip, parts.get('xl/_rels/workbook.xml.rels'));
    const relation = [...relations.matchAll(/<(?:\w+:)?Relationship\s[^>]*>/g)].find(
      ([one]) => attribute(one, 'Id') === attribute(tag, '\\w+:id'),
    );
    const part = /sheet(\d+)\.xml$/.exec(attribute(relation?.[0] ?? '', 'Target'))?.[1];
    if (part !== undefined) return { firstSheet: { id: attribute(tag, 'sheetId'), part } };
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
  throw new Refusal('sheet.empty', { file: fileName });
}

/** An attribute of a tag; empty where it has none. */
const attribute = (tag: string, name: string) => new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)`).exec(tag)?.[1] ?? '';

async function partText(zip: ZipFile, entry: Entry | undefined): Promise<string> {
  if (!entry || entry.uncompressedSize > NAMES_AT_MOST) return '';
  return text(await zip.openReadStreamPromise(entry));
}
