/** How rows of a list point at each other: at the parent, at the children, or at the family that a picture is of. */
import { isBlank } from '../table/cells';
import type { ListColumn, Meaning, Table } from '../table/shape';
import { codeKey } from './codeKey';
import { columnOfField, columnThat } from './columnsThat';

export interface References {
  /** What rows say they belong to. */
  referred: ReadonlySet<string>;
  /** The column that holds what is pointed at, where that is no number of goods: "ID" beside "Parent ID". */
  key: ListColumn | undefined;
  /** SKU of a child → the SKU of the parent that names it among its children. */
  parentOf: ReadonlyMap<string, string>;
}

type Rows = readonly { cells: readonly string[] }[];

/** What stands between the numbers of children. */
export const BETWEEN_CODES = /[\s,;|]+/;

/** Reads what the rows of a list point at. `parent` is the column that says what they belong to. */
export function readReferences(rows: Rows, columns: readonly ListColumn[], parent: ListColumn | undefined): References {
  const text = (cells: readonly string[], column: ListColumn | undefined) =>
    codeKey(column ? (cells[column.at] ?? '') : '');
  const referred = new Set(parent ? rows.map(({ cells }) => text(cells, parent)).filter(Boolean) : []);
  const key = parent?.meaning.is === 'parent' ? keyColumn(rows, columns, referred, parent) : undefined;
  const [children, sku] = [columnThat(columns, 'children'), columnOfField(columns, 'sku')];
  const parentOf = new Map<string, string>();
  if (children && sku)
    for (const { cells } of rows)
      for (const code of (cells[children.at] ?? '').split(BETWEEN_CODES)) {
        const own = (cells[sku.at] ?? '').trim();
        if (code !== '' && own !== '' && codeKey(code) !== codeKey(own)) parentOf.set(codeKey(code), own);
      }
  return { referred, key, parentOf };
}

/** Such a share of what is pointed at stands in the column. */
const MOST = 0.8;

/** The column that holds most of what is pointed at, where the numbers of goods do not. */
function keyColumn(
  rows: Rows,
  columns: readonly ListColumn[],
  referred: ReadonlySet<string>,
  parent: ListColumn,
): ListColumn | undefined {
  if (referred.size === 0) return undefined;
  const holds = (column: ListColumn) => {
    const found = new Set<string>();
    for (const { cells } of rows) {
      const key = codeKey(cells[column.at] ?? '');
      if (referred.has(key)) found.add(key);
    }
    return found.size >= referred.size * MOST;
  };
  const known = ['sku', 'styleCode', 'name'].flatMap((field) => columnOfField(columns, field) ?? []);
  if (known.some(holds)) return undefined;
  return columns.find((column) => column !== parent && column.meaning.is === 'ignored' && holds(column));
}

/** What a row has that is more than a picture of its family. */
const OF_CHILD = new Set(['sku', 'gtin', 'price', 'listPrice', 'cost', 'stock', 'weight']);
const TELLING = new Set<Meaning['is']>(['option', 'optionValue', 'options', 'across']);

/**
 * Rows that have nothing but another picture for the family whose number they have, of which other rows say more.
 * @param tieOf what holds a row to its family; '' where nothing does
 */
export function pictureRows(
  rows: readonly { place: number }[],
  table: Table,
  columns: readonly ListColumn[],
  tieOf: (cells: readonly string[]) => string,
): ReadonlySet<number> {
  const pictures = columns.filter(({ meaning }) => meaning.is === 'picture');
  if (pictures.length === 0) return new Set();
  const telling = columns.filter(
    ({ meaning }) => TELLING.has(meaning.is) || (meaning.is === 'field' && OF_CHILD.has(meaning.key)),
  );
  const says = (place: number, some: readonly ListColumn[]) => some.some(({ at }) => !isBlank(table[place]![at]));
  const bare = rows.filter(({ place }) => !says(place, telling) && says(place, pictures));
  if (bare.length === 0) return new Set();
  const isBare = new Set(bare);
  const full = new Set(rows.filter((row) => !isBare.has(row)).map(({ place }) => tieOf(table[place]!)));
  const isOfOther = (tie: string) => tie !== '' && full.has(tie);
  return new Set(bare.filter(({ place }) => isOfOther(tieOf(table[place]!))).map(({ place }) => place));
}
