/** Sizes with their pieces in one cell: "S:3 M:5 L:2", "S (3), M (5)", "3xS, 5xM". Each size gets a column of its own, as if they stood across. */
import type { OptionReader } from '../options/readOptions';
import { tokensOf } from '../options/tokens';
import { isBlank } from './cells';
import { evened, widthOf, type Table } from './shape';

export interface PackedPieces {
  /** The table with more columns on the right; the cells they were read from are blank. */
  table: Table;
  /** The first of the columns that are more. */
  from: number;
}

type Pieces = ReadonlyMap<string, string>;

/** Such a share of a column's cells says sizes with pieces. */
const MOST = 0.8;
/** So many of its cells are looked at before all are. */
const LOOKED_AT = 30;

/** Spreads such cells; null where the table has none. `header` is the place of its last line. */
export function spreadPieces(table: Table, header: number, options: OptionReader): PackedPieces | null {
  const width = widthOf(table);
  const below = table.slice(header + 1);
  const at = Array.from({ length: width }, (_, place) => place).find((place) => holdsPieces(below, place, options));
  if (at === undefined) return null;
  const read = table.map((row, place) => (place > header ? piecesIn(row[at] ?? '', options) : null));
  const sizes = [...new Set(read.flatMap((pieces) => [...(pieces?.keys() ?? [])]))];
  const spread = evened(table, width).map((row, place) => {
    if (place === header) return [...row, ...sizes];
    const pieces = read[place];
    return pieces ? [...row.with(at, ''), ...sizes.map((size) => pieces.get(size) ?? '')] : row;
  });
  return { table: evened(spread, width + sizes.length), from: width };
}

/** Whether most cells of a column say sizes with pieces, some of them several. */
function holdsPieces(rows: Table, at: number, options: OptionReader): boolean {
  const cells = rows.flatMap((row) => (isBlank(row[at]) ? [] : [row[at]!])).slice(0, LOOKED_AT);
  const read = cells.flatMap((cell) => piecesIn(cell, options) ?? []);
  return read.length > cells.length * MOST && read.some(({ size }) => size > 1);
}

/** "S:3", "S = 3", "S (3)", and the other way round "3 x S"; widths and heights have a sign between them, too. */
const SIZE_FIRST = /([\p{L}\d][\p{L}\d./-]*)\s*(?:[:=]\s*(\d+)|\(\s*(\d+)\s*\))/gu;
const COUNT_FIRST = /(\d+)\s*[x×]\s*(\p{L}[\p{L}\d/]*)/gu;

/** Size → pieces; null where a cell says anything else. */
function piecesIn(cell: string, options: OptionReader): Pieces | null {
  if (!/\d/.test(cell) || !/[:=(x×]/.test(cell)) return null;
  return (
    readPieces(cell, SIZE_FIRST, ([, size, count, bracketed]) => [size!, (count ?? bracketed)!], options) ??
    readPieces(cell, COUNT_FIRST, ([, count, size]) => [size!, count!], options)
  );
}

function readPieces(
  cell: string,
  form: RegExp,
  pairOf: (match: RegExpExecArray) => [size: string, count: string],
  options: OptionReader,
): Pieces | null {
  const left = cell.replace(form, '');
  if (left === cell || /[^\s,;|/+&]/.test(left)) return null;
  const pairs = [...cell.matchAll(form)].map(pairOf);
  const isSize = (text: string) => options.whole(tokensOf(text))?.roles[0] === 'size';
  const pieces = new Map(pairs);
  return pieces.size === pairs.length && pairs.every(([size]) => isSize(size)) ? pieces : null;
}
