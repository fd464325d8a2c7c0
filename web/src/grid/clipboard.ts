/** Cells on the clipboard: tabbed text as spreadsheets take it, and the bare cells for this grid itself. */
import Papa from 'papaparse';
import { z } from 'zod';

/** What this grid alone reads: the cells without the options and headers that make them understood elsewhere. */
const OWN = 'application/x-loom-kin-cells';
/** Most cells that are read from the clipboard at once. */
const CELLS_AT_MOST = 500_000;

/** Rows of tabbed text; cells with tabs, quotes or line breaks in quotation marks (RFC 4180). Nothing in it is a formula. */
export function toTabbed(rows: readonly (readonly string[])[]): string {
  return Papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n', escapeFormulae: true });
}

/** Reads tabbed text; a lone quotation mark, as for inches, is a sign like others. */
export function fromTabbed(text: string): string[][] {
  const plain = text.replace(/(\r\n|\n|\r)$/, '');
  const isQuoted = /(^|[\t\r\n])"/.test(plain);
  const read = Papa.parse<string[]>(plain, { delimiter: '\t', ...(isQuoted ? {} : { quoteChar: '\u0000' }) });
  // The apostrophe that keeps a text from being a formula is no part of it.
  return read.data.map((row) => row.map((cell) => cell.replace(/^'(?=[=+\-@\t\r])/, '')));
}

/** Puts rows on the clipboard: `told` for others, `cells` for this grid. */
export function putClip(
  data: DataTransfer,
  told: readonly (readonly string[])[],
  cells: readonly (readonly string[])[],
): void {
  data.setData('text/plain', toTabbed(told));
  data.setData(OWN, JSON.stringify(cells));
}

/** What is on the clipboard: rows of cells, and whether this grid put them there. Null where there is nothing, or far too much. */
export function takeClip(data: DataTransfer | null): { rows: string[][]; isOwn: boolean } | null {
  const own = data?.getData(OWN);
  const ours = own ? ownCells(own) : null;
  const rows = ours ?? fromTabbed(data?.getData('text/plain') ?? '');
  const cells = rows.reduce((sum, row) => sum + row.length, 0);
  const isEmpty = cells === 0 || (rows.length === 1 && rows[0]!.length === 1 && rows[0]![0] === '');
  return isEmpty || cells > CELLS_AT_MOST ? null : { rows, isOwn: ours !== null };
}

const CellsSchema = z.array(z.array(z.string())).min(1);
/** Any page can put something under this name. */
function ownCells(text: string): string[][] | null {
  try {
    return CellsSchema.safeParse(JSON.parse(text)).data ?? null;
  } catch {
    return null;
  }
}

/** A block laid over a range again and again, where the range holds it a whole number of times; else once. */
export function tiled(rows: readonly string[][], height: number, width: number): string[][] {
  const high = rows.length;
  const wide = Math.max(...rows.map((row) => row.length));
  if (height % high !== 0 || width % wide !== 0) return rows.map((row) => [...row]);
  return Array.from({ length: height }, (_row, y) =>
    Array.from({ length: width }, (_cell, x) => rows[y % high]![x % wide] ?? ''),
  );
}
