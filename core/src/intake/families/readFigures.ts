/** SKU, GTIN, price and pieces of each child of a list, with what cannot be read and what was mended. */
import { unreadableText, type Unreadable } from '../../refusal/refusal';
import { readFigure, type ReadFigure, type Source } from '../../registry/figures';
import type { Registry } from '../../registry/openRegistry';
import { identityOf } from '../../identifiers/sameness';
import { howWritten } from '../table/howWritten';
import type { ListColumn, ListMapping, Table } from '../table/shape';
import { columnOfField } from './columnsThat';
import { remembered } from './remembered';
import type { ListChild, ListFamily, ListProblem, Mended, Recognised } from './shape';

export interface ChildFigures {
  sku?: string;
  gtin?: string;
  /** Decimal, in major units. */
  price?: string;
  stock?: number;
}

interface Read {
  figures: Map<string, ChildFigures[]>;
  singleFigures: ChildFigures[];
  problems: ListProblem[];
  mended: Mended[];
}

const KEYS = ['sku', 'gtin', 'price', 'stock'] as const;
type Key = (typeof KEYS)[number];

/** A column of figures, and how its cells are read. */
interface FigureColumn {
  column: ListColumn;
  read: (text: string) => ReadFigure;
}

/** Where a number stands first. */
interface Owner {
  row: number;
  column: string;
}

/** Whether a figure is one child's: numbers and pieces of a row of several children are none of theirs, prices are that of each. */
const isOfOne = (key: Key, isOwn: boolean, isOfSeveral: boolean): boolean => isOwn || key === 'price' || !isOfSeveral;

function openFigure(registry: Registry, key: Key, source: Source): FigureColumn['read'] {
  const field = registry.field(key)!;
  const read = (text: string) => readFigure(registry, field, text, source);
  // Prices and pieces stand in a list many times.
  return key === 'sku' || key === 'gtin' ? read : remembered(read);
}

/** Reads the figures of all children. An SKU or GTIN that stands twice is told at the second. */
export function readFigures(
  registry: Registry,
  table: Table,
  columns: readonly ListColumn[],
  { families, singles }: Recognised,
  mapping: ListMapping,
): Read {
  const read: Read = { figures: new Map(), singleFigures: [], problems: [], mended: [] };
  const written = howWritten(table, columns, mapping);
  const sources = new Map(
    KEYS.flatMap((key) => {
      const column = columnOfField(columns, key);
      return column ? [[key, { column, read: openFigure(registry, key, written(column.at)) }] as const] : [];
    }),
  );
  const across = new Map(
    columns.flatMap((column) => {
      const { at, meaning } = column;
      if (meaning.is !== 'across') return [];
      return [[at, { column, read: openFigure(registry, meaning.key ?? 'stock', written(at)) }] as const];
    }),
  );
  const owners = { sku: new Map<string, Owner>(), gtin: new Map<string, Owner>() };

  function figuresOf({ rows, ownColumns, sharesRow }: Omit<ListChild, 'at'>): ChildFigures {
    const figures: ChildFigures = {};
    const cells = table[rows[0]! - 1]!;
    for (const key of KEYS) {
      const own = ownColumns?.[key];
      const known = own === undefined ? sources.get(key) : across.get(own);
      if (!known || !isOfOne(key, own !== undefined, sharesRow || ownColumns !== undefined)) continue;
      const text = (cells[known.column.at] ?? '').trim();
      const figure = text === '' ? null : readCell(rows[0]!, key, known, text);
      if (figure === null) continue;
      if (key === 'stock') figures.stock = Number(figure);
      else figures[key] = String(figure);
    }
    return figures;
  }

  function readCell(
    row: number,
    key: Key,
    { column: { header }, read: readText }: FigureColumn,
    text: string,
  ): string | number | null {
    if (key === 'stock' && !/\d/.test(text)) return null;
    let figure = readText(text);
    if (!figure.ok && figure.code === 'gtin.lost-zero') {
      const { right } = (figure as Unreadable<'gtin.lost-zero'>).params;
      read.mended.push({ code: figure.code, row, column: header, from: text, to: right });
      figure = { ok: true, figure: right };
    }
    if (!figure.ok) {
      read.problems.push(problemOf(row, header, figure));
      return null;
    }
    const value = figure.figure as string | number | null;
    if ((key === 'sku' || key === 'gtin') && typeof value === 'string') {
      const id = identityOf(key, value);
      const before = owners[key].get(id);
      if (before && (before.row !== row || before.column !== header)) {
        read.problems.push({ row, column: header, code: `${key}.twice`, text: String(before.row) });
        return null;
      }
      owners[key].set(id, { row, column: header });
    }
    return value;
  }

  /** Numbers and pieces of rows that are several children: told, since they are left out. */
  function tellShared({ children, style }: ListFamily): void {
    if (!children.some(({ sharesRow }) => sharesRow)) return;
    const rows = new Map<number, number>();
    for (const { rows: own, sharesRow } of children) if (sharesRow) rows.set(own[0]!, (rows.get(own[0]!) ?? 0) + 1);
    for (const [row, count] of rows)
      for (const key of ['sku', 'gtin', 'stock'] as const) {
        const column = sources.get(key)?.column;
        const text = column ? (table[row - 1]![column.at] ?? '').trim() : '';
        if (text === '' || (key === 'sku' && text === style)) continue;
        read.problems.push({ row, column: column!.header, code: 'row.several', text: `${count} ${text}` });
      }
  }

  /** What a parent costs its children cost that say nothing else. */
  function priceOfParents({ parentRows }: ListFamily): string | undefined {
    const known = sources.get('price');
    const texts = known ? parentRows.map((row) => (table[row - 1]![known.column.at] ?? '').trim()).filter(Boolean) : [];
    const figure = texts.length === 1 ? known!.read(texts[0]!) : null;
    return figure?.ok && figure.figure !== null ? String(figure.figure) : undefined;
  }

  for (const family of families) {
    tellShared(family);
    const price = priceOfParents(family);
    read.figures.set(
      family.key,
      family.children.map((child) => ({ ...(price === undefined ? {} : { price }), ...figuresOf(child) })),
    );
  }
  for (const { rows } of singles) read.singleFigures.push(figuresOf({ rows }));
  return read;
}

const problemOf = (row: number, column: string, figure: Unreadable): ListProblem => ({
  row,
  column,
  code: figure.code,
  text: unreadableText(figure),
});
