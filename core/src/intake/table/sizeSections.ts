/**
 * Sizes across that change on the way down: an order form has S, M, L above its jackets, and the header again with 36, 37, 38 above its shoes.
 * Each size gets a column of its own, so that a cell means the same in every row.
 */
import type { OptionReader } from '../options/readOptions';
import { tokensOf } from '../options/tokens';
import { isBlank } from './cells';
import { widthOf, type Table } from './shape';

export interface Spread {
  /** The table with more columns on the right, for the sizes that its header has not. */
  table: Table;
  /** Places of the rows that say sizes anew. */
  sections: ReadonlySet<number>;
  /** The first of the columns that are more. */
  from: number;
}

/** Columns that are called "Size 1", "Gr. 2" wait for the sizes below. */
const OPEN = /^(?:size|sizes|sz|gr|gr\.|größe|taille|talla|taglia|maat)\s*\d{0,2}$/i;

/** Spreads the sizes of sections over columns of their own; null where the table has none. `header` is the place of its last line. */
export function spreadSizes(table: Table, header: number, options: OptionReader): Spread | null {
  const head = table[header]!;
  const isSize = (cell: string | undefined) =>
    !isBlank(cell) && cell!.length <= 20 && options.whole(tokensOf(cell!))?.roles[0] === 'size';
  const isOpen = (at: number) => isBlank(head[at]) || isSize(head[at]) || OPEN.test(head[at]!.trim());
  const places = Array.from({ length: widthOf(table) }, (_, at) => at).filter(isOpen);
  if (places.length < 2) return null;
  const sections = new Map<number, Map<number, string>>();
  for (let at = header + 1; at < table.length; at++) {
    const labels = labelsIn(table[at]!, head, places, isSize);
    if (labels) sections.set(at, labels);
  }
  if (sections.size === 0) return null;
  return { table: spread(table, header, sections), sections: new Set(sections.keys()), from: widthOf(table) };
}

/** Place → size, of a row that says sizes anew and nothing else but what the header says; null for any other. */
function labelsIn(
  row: readonly string[],
  head: readonly string[],
  places: readonly number[],
  isSize: (cell: string | undefined) => boolean,
): Map<number, string> | null {
  const filled = places.filter((at) => !isBlank(row[at]));
  if (filled.length < 2 || !filled.every((at) => isSize(row[at]))) return null;
  if (filled.every((at) => row[at]!.trim() === (head[at] ?? '').trim())) return null;
  const others = row.flatMap((cell, at) => (isBlank(cell) || places.includes(at) ? [] : [at]));
  if (!others.every((at) => row[at]!.trim() === (head[at] ?? '').trim())) return null;
  const texts = filled.map((at) => row[at]!.trim());
  // Pieces below a name that stands above them are numbers, too.
  return others.length > 0 || !arePieces(texts) ? new Map(filled.map((at, place) => [at, texts[place]!])) : null;
}

/** Numbers alone are sizes where there are several, as far from each other as sizes are, and none is small. */
function arePieces(texts: readonly string[]): boolean {
  if (!texts.every((text) => /^\d+$/.test(text))) return false;
  const numbers = texts.map(Number);
  const step = numbers[1]! - numbers[0]!;
  const areSteps = numbers.every((one, at) => at === 0 || one - numbers[at - 1]! === step);
  return !(areSteps && numbers.length > 2 && [1, 2, 6].includes(step) && numbers[0]! >= 14);
}

function spread(table: Table, header: number, sections: ReadonlyMap<number, ReadonlyMap<number, string>>): Table {
  const head = table[header]!;
  const width = widthOf(table);
  const columns = new Map<string, number>();
  head.forEach((cell, at) => columns.set(cell.trim(), at));
  const added: string[] = [];
  const columnOf = (size: string): number => {
    let at = columns.get(size);
    if (at === undefined) {
      columns.set(size, (at = width + added.length));
      added.push(size);
    }
    return at;
  };
  for (const sizes of sections.values()) for (const size of sizes.values()) columnOf(size);
  let labels: ReadonlyMap<number, string> | null = null;
  const rows = table.map((row, at): readonly string[] => {
    labels = sections.get(at) ?? labels;
    if (!labels || sections.has(at)) return row;
    const cells = padded(row, width);
    for (const place of labels.keys()) cells[place] = '';
    for (const [place, size] of labels) {
      const text = row[place] ?? '';
      if (!isBlank(text)) cells[columnOf(size)] = text;
    }
    return cells;
  });
  const full = width + added.length;
  return rows.map((row, at) =>
    at === header ? [...padded(row, width), ...added] : at < header ? row : filledUp(row, full),
  );
}

const padded = (row: readonly string[], width: number): string[] =>
  row.length >= width ? row.slice(0, width) : [...row, ...Array<string>(width - row.length).fill('')];
/** Cells that nothing was put into are empty, not missing. */
const filledUp = (row: readonly string[], width: number): string[] =>
  Array.from({ length: width }, (_, at) => row[at] ?? '');
