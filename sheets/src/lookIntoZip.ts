/** A look into a workbook before it is read: how large it would become, and which of its sheets is the first. */
import { text } from 'node:stream/consumers';
import { fromBufferPromise, type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@loom-kin/core';

const MEGABYTE = 1024 * 1024;
/** Unpacked, all parts together. */
const UNPACKED_AT_MOST = 400 * MEGABYTE;
/** Cells pack to a tenth or a fiftieth of themselves; a large part that packs to less is blanks, and takes a quarter of a minute to read. */
const AIR_TIMES = 250;
const AIR_FROM = 50 * MEGABYTE;
/** The parts that name the sheets. */
const NAMES_AT_MOST = 2 * MEGABYTE;
const PARTS_AT_MOST = 5000;

/** A sheet: its name, its number in the workbook, that of its part, and the areas of it that are one cell ("A2:A5"). */
export interface SheetOfBook {
  name: string;
  id: string;
  part: string;
  merged: () => Promise<string[]>;
}

/** The sheets of a workbook in their order. A file that is cut off, has no sheet or is larger unpacked than is taken is refused. */
export async function lookIntoZip(bytes: Buffer, fileName: string): Promise<SheetOfBook[]> {
  try {
    const zip = await fromBufferPromise(bytes, { lazyEntries: true });
    const parts = await directoryOf(zip, fileName);
    const relations = await partText(zip, parts.get('xl/_rels/workbook.xml.rels'));
    const targets = new Map(
      [...relations.matchAll(/<(?:\w+:)?Relationship\s[^>]*>/g)].map(([tag]) => [
        attribute(tag, 'Id'),
        attribute(tag, 'Target'),
      ]),
    );
    const tags = (await partText(zip, parts.get('xl/workbook.xml'))).matchAll(/<(?:\w+:)?sheet\s[^>]*>/g);
    const sheets = [...tags].flatMap(([tag]): SheetOfBook[] => {
      const target = targets.get(attribute(tag, '\\w+:id')) ?? '';
      const part = /sheet(\d+)\.xml$/.exec(target)?.[1];
      if (part === undefined) return [];
      const entry = parts.get(`xl/${target.replace(/^\/?(?:xl\/)?/, '')}`);
      return [
        {
          name: plainText(attribute(tag, 'name')),
          id: attribute(tag, 'sheetId'),
          part,
          merged: () => mergedAreas(zip, entry),
        },
      ];
    });
    if (sheets.length > 0) return sheets;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal('sheet.cut-off', { file: fileName });
  }
  throw new Refusal('sheet.empty', { file: fileName });
}

async function directoryOf(zip: ZipFile, fileName: string): Promise<Map<string, Entry>> {
  const parts = new Map<string, Entry>();
  let unpacked = 0;
  for await (const entry of zip.eachEntry()) {
    unpacked += entry.uncompressedSize;
    const isAir = entry.uncompressedSize > AIR_FROM && entry.uncompressedSize > AIR_TIMES * entry.compressedSize;
    const most =
      unpacked > UNPACKED_AT_MOST || parts.size >= PARTS_AT_MOST ? UNPACKED_AT_MOST : isAir ? AIR_FROM : null;
    if (most !== null) throw new Refusal('sheet.bomb', { file: fileName, megabytes: most / MEGABYTE });
    parts.set(entry.fileName, entry);
  }
  return parts;
}

const AREAS_AT_MOST = 50_000;

/** Areas that are one cell; they stand behind the cells of a sheet. */
async function mergedAreas(zip: ZipFile, entry: Entry | undefined): Promise<string[]> {
  if (!entry) return [];
  const areas: string[] = [];
  let rest = '';
  for await (const chunk of await zip.openReadStreamPromise(entry)) {
    rest += (chunk as Buffer).toString('latin1');
    for (const [tag] of rest.matchAll(/<(?:\w+:)?mergeCell\s[^>]*>/g))
      if (areas.length < AREAS_AT_MOST) areas.push(attribute(tag, 'ref'));
    // A tag may be cut by the end of a chunk.
    const open = rest.lastIndexOf('<');
    rest = rest.indexOf('>', open) < 0 ? rest.slice(open) : '';
  }
  return areas;
}

const ENTITIES: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };
const plainText = (text: string) => text.replace(/&(amp|lt|gt|quot|apos);/g, (_whole, name: string) => ENTITIES[name]!);

/** An attribute of a tag; empty where it has none. */
const attribute = (tag: string, name: string) => new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)`).exec(tag)?.[1] ?? '';

async function partText(zip: ZipFile, entry: Entry | undefined): Promise<string> {
  if (!entry || entry.uncompressedSize > NAMES_AT_MOST) return '';
  return text(await zip.openReadStreamPromise(entry));
}
