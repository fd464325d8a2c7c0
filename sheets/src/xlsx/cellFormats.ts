/** What the formats of cells say of their numbers: that they are days, or are shown with zeros before them. */
import { eachTag, type Part } from './eachTag';

/** A day, a number of so many digits at least, or a number as it is. */
export type CellFormat = 'day' | number | null;

/**
 * Formats that have a number only, no text (ISO/IEC 29500-1, 18.8.30: 14 to 22 and 45 to 47, and 27 to 36 and 50 to
 * 58 of the eastern tables).
 */
const isBuiltInDay = (id: number) =>
  (id >= 14 && id <= 22) || (id >= 27 && id <= 36) || (id >= 45 && id <= 47) || (id >= 50 && id <= 58);

/** The formats of a workbook by the number that cells have in `s`. */
export async function readCellFormats(part: Part | null): Promise<CellFormat[]> {
  const own = new Map<number, CellFormat>();
  const formats: CellFormat[] = [];
  if (!part) return formats;
  let isOfCells = false;
  await eachTag(part, {
    open: (name, attributes) => {
      if (name === 'cellXfs') isOfCells = true;
      const id = Number(attributes['numFmtId'] ?? 0);
      if (name === 'numFmt') own.set(id, formatOf(attributes['formatCode'] ?? ''));
      if (name === 'xf' && isOfCells) formats.push(own.get(id) ?? (isBuiltInDay(id) ? 'day' : null));
    },
    close: (name) => {
      if (name === 'cellXfs') isOfCells = false;
    },
  });
  return formats;
}

/** What a format code says (18.8.31): of its parts the first is that of positive numbers. */
export function formatOf(code: string): CellFormat {
  const bare = code
    .replace(/"[^"]*"|\\.|_.|\*./g, '')
    .replace(/\[(?!h+\]|m+\]|s+\])[^\]]*\]/gi, '')
    .split(';')[0]!;
  if (/^0{2,}$/.test(bare)) return bare.length;
  return !/general/i.test(bare) && /[ymdhs]/i.test(bare) ? 'day' : null;
}
