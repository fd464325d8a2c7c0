/** SKU, GTIN, price and pieces of each child of a list, with what cannot be read and what was mended. */
import { unreadableText, type Unreadable } from '../../refusal';
import { readFigure, type ReadFigure, type Source } from '../../registry/figures';
import type { Registry } from '../../registry/openRegistry';
import { identityOf } from '../../identifiers/sameness';
import { howWritten } from '../table/howWritten';
import type { ListColumn, ListMapping, Table } from '../table/shape';
import { columnOfField } from './columnsThat';
import type { ListChild, ListFamily, ListProblem, Recognised } from './shape';

export interface ChildFigures {
  sku?: string;
  gtin?: string;
  /** Decimal, in major units. */
  price?: string;
  stock?: number;
}

export interface Mended {
  row: number;
  column: string;
  from: string;
  to: string;
}

interface Read {
  figures: Map<string, ChildFigures[]>;
  singleFigures: ChildFigures[];
  problems: ListProblem[];
  mended: Mended[];
}

const KEYS = ['sku', 'gtin', 'price', 'stock'] as const;

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
      return column ? [[key, { column, source: written(column.at) }] as const] : [];
    }),
  );
  const owners = new Map<string, number>();

  function figuresOf({ rows, stockColumn, sharesRow }: Omit<ListChild, 'at'>): ChildFigures {
    const figures: ChildFigures = {};
    const cells = table[rows[0]! - 1]!;
    for (const key of KEYS) {
      const known =
        key === 'stock' && stockColumn !== undefined ? { column: columns[stockColumn]!, source: {} } : sources.get(key);
      // A code of a row of several children is none of theirs, and neither are its pieces where they stand there once.
      const isOfRow = key === 'stock' ? sharesRow && stockColumn === undefined : key !== 'price';
      if (!known || (isOfRow && (sharesRow || stockColumn !== undefined))) continue;
      const text = (cells[known.column.at] ?? '').trim();
      const figure = text === '' ? null : readCell(rows[0]!, key, known.column, text, known.source);
      if (figure !== null) Object.assign(figures, { [key]: key === 'stock' ? Number(figure) : figure });
    }
    return figures;
  }

  /** Prices and pieces stand in a list many times. */
  const known = new Map<string, ReadFigure>();
  function readOnce(key: string, text: string, work: () => ReadFigure): ReadFigure {
    if (key === 'sku' || key === 'gtin') return work();
    const id = `${key}|${text}`;
    let figure = known.get(id);
    if (!figure) known.set(id, (figure = work()));
    return figure;
  }

  function readCell(
    row: number,
    key: (typeof KEYS)[number],
    { header }: ListColumn,
    text: string,
    source: Source,
  ): string | number | null {
    if (key === 'stock' && !/\d/.test(text)) return null;
    const field = registry.field(key)!;
    let figure = readOnce(key, text, () => readFigure(registry, field, text, source));
    if (!figure.ok && figure.code === 'gtin.lost-zero') {
      const { right } = (figure as Unreadable<'gtin.lost-zero'>).params;
      read.mended.push({ row, column: header, from: text, to: right });
      figure = { ok: true, figure: right };
    }
    if (!figure.ok) {
      read.problems.push(problemOf(row, header, figure));
      return null;
    }
    const value = figure.figure as string | number | null;
    if ((key === 'sku' || key === 'gtin') && typeof value === 'string') {
      const id = `${key}|${identityOf(key, value)}`;
      const before = owners.get(id);
      if (before !== undefined && before !== row) {
        read.problems.push({ row, column: header, code: `${key}.twice`, text: String(before) });
        return null;
      }
      owners.set(id, row);
    }
    return value;
  }

  /** Numbers and pieces of rows that are several children: told, since they are left out. */
  function tellShared({ children, style }: ListFamily): void {
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

  for (const family of families) {
    tellShared(family);
    read.figures.set(family.key, family.children.map(figuresOf));
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
