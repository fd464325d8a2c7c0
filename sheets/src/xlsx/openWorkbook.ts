/** What a workbook consists of, found before it is read: its sheets and what their cells point at, within bounds. */
import { posix } from 'node:path';
import { fromBufferPromise, type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@loom-kin/core/refusal';
import { eachTag, type Attributes, type Part } from './eachTag';

const MEGABYTE = 1024 * 1024;
/** Unpacked, all parts together. */
const UNPACKED_AT_MOST = 400 * MEGABYTE;
/**
 * Cells pack to a tenth or a fiftieth of themselves; a large part that packs to less is blanks, and takes a quarter
 * of a minute to read.
 */
const AIR_TIMES = 250;
const AIR_FROM = 50 * MEGABYTE;
const PARTS_AT_MOST = 5000;
/** Where the workbook lies if nothing says so. */
const USUAL_PATH = 'xl/workbook.xml';

export interface SheetOfBook {
  name: string;
  isHidden: boolean;
  part: Part;
}

export interface Workbook {
  /** In the order of the workbook. */
  sheets: SheetOfBook[];
  /** Texts that cells point at. */
  texts: Part | null;
  styles: Part | null;
  /** Whether days are counted from 1904. */
  isFrom1904: boolean;
}

/**
 * The parts of a workbook (ISO/IEC 29500-2 and 29500-1, 11.3.10 and 12.3: what a part is, and where it lies, is said
 * by relations and not by its name). A file that is cut off, has no sheet or is larger unpacked than is taken is
 * refused.
 */
export async function openWorkbook(bytes: Buffer, fileName: string): Promise<Workbook> {
  try {
    const zip = await fromBufferPromise(bytes, { lazyEntries: true });
    const entries = await directoryOf(zip, fileName);
    const partAt = (path: string): Part | null => {
      const entry = entries.get(path.toLowerCase());
      return entry ? () => zip.openReadStreamPromise(entry) : null;
    };
    const start = (await relationsOf('', partAt)).find(({ type }) => type === 'officeDocument');
    const path = start?.target ?? USUAL_PATH;
    const main = partAt(path);
    if (main) {
      const relations = await relationsOf(path, partAt);
      const targetOf = (type: string) => partAt(relations.find((one) => one.type === type)?.target ?? '');
      const { listed, isFrom1904 } = await readMainPart(main);
      const sheets = listed.flatMap(({ name, isHidden, relation }): SheetOfBook[] => {
        const found = relations.find(({ id, type }) => id === relation && type === 'worksheet');
        const part = partAt(found?.target ?? '');
        return part ? [{ name, isHidden, part }] : [];
      });
      const book = { sheets, texts: targetOf('sharedStrings'), styles: targetOf('styles'), isFrom1904 };
      if (sheets.length > 0) return book;
    }
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
    // Names of parts differ by more than capitals (29500-2, 6.2.2.3).
    parts.set(entry.fileName.toLowerCase(), entry);
  }
  return parts;
}

interface Relation {
  id: string;
  /** The last word of its type: "worksheet", "styles". */
  type: string;
  /** Where the other part lies in the file. */
  target: string;
}

/** What a part is related to; what the file itself is where its path is empty. */
async function relationsOf(path: string, partAt: (path: string) => Part | null): Promise<Relation[]> {
  const folder = posix.dirname(path);
  const part = partAt(posix.join(folder, '_rels', `${posix.basename(path)}.rels`));
  const relations: Relation[] = [];
  if (part)
    await eachTag(part, {
      open: (name, attributes) => {
        if (name !== 'Relationship') return;
        const target = attributes['Target'] ?? '';
        relations.push({
          id: attributes['Id'] ?? '',
          type: posix.basename(attributes['Type'] ?? ''),
          target: target.startsWith('/') ? target.slice(1) : posix.join(folder, target),
        });
      },
    });
  return relations;
}

async function readMainPart(part: Part) {
  const listed: { name: string; isHidden: boolean; relation: string }[] = [];
  let isFrom1904 = false;
  await eachTag(part, {
    open: (name, attributes) => {
      if (name === 'workbookPr') isFrom1904 = isTrue(attributes['date1904']);
      if (name === 'sheet')
        listed.push({
          name: attributes['name'] ?? '',
          isHidden: (attributes['state'] ?? 'visible') !== 'visible',
          relation: relationId(attributes),
        });
    },
  });
  return { listed, isFrom1904 };
}

const isTrue = (text: string | undefined) => text === '1' || text === 'true';

/** The id of a relation stands in a namespace of its own, whatever its prefix is. */
const relationId = (attributes: Attributes): string =>
  Object.entries(attributes).find(([name]) => name.endsWith(':id'))?.[1] ?? '';
