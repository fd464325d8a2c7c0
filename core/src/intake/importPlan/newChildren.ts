/** The rows of new families, read cell by cell. */
import { checkedFigure } from '../../change/setFigures';
import { EVERYWHERE } from '../../family/scope';
import type { Figure } from '../../family/shape';
import { isIdentifier, type IdentifierKind } from '../../identifiers/sameness';
import { unreadable, unreadableText, type Unreadable } from '../../refusal/refusal';
import { readFigure, showFigure } from '../../registry/figures';
import type { ListAxis, ListChild } from '../families/shape';
import { sheetFields } from '../columns';
import type { CellProblem } from '../readSheet';
import type { FigureColumn } from './figureColumns';
import type { BecomeInput } from './shape';

export interface NewChildRead {
  /** Its value on each axis of the list's family. */
  labels: string[];
  figures: { column: FigureColumn; figure: Figure; shown: string }[];
  /** Pieces as counted, where there are any. */
  pieces: { header: string; count: number } | null;
  problems: CellProblem[];
}

/** What a cell says: nothing (null), a figure, or why it cannot be read. */
type CellRead = { ok: true; figure: Figure; shown: string } | Unreadable | null;

/** Reads rows as children of families that are not there yet. */
export interface NewChildren {
  /** The columns with figures of children, in a category. */
  columnsIn(category: unknown): readonly FigureColumn[];
  /** Throws a Refusal where a figure can stand with no child. */
  read(child: ListChild, axes: readonly ListAxis[], columns: readonly FigureColumn[]): NewChildRead;
}

const CHILD = { level: 'child', childId: '' } as const;

export function openNewChildren({
  registry,
  table,
  columns,
  across,
  mended,
  numbers,
  around,
}: BecomeInput): NewChildren {
  const ofCategory = new Map<unknown, readonly FigureColumn[]>();
  const known = new Map<string, CellRead>();
  const stock = registry.field('stock')!;

  function columnsIn(category: unknown): readonly FigureColumn[] {
    let found = ofCategory.get(category);
    if (!found) {
      const keys = new Set(sheetFields(registry, category).map(({ key }) => key));
      // Of two columns of a field the first holds.
      found = columns.filter(({ field }) => keys.delete(field.key));
      ofCategory.set(category, found);
    }
    return found;
  }

  /** The columns that speak of a child: what is one child's alone is none of several that a row makes. */
  function columnsFor(
    { sharesRow, ownColumns = {} }: ListChild,
    ofChild: readonly FigureColumn[],
  ): readonly FigureColumn[] {
    const own = Object.values(ownColumns).map((at) => across.get(at)!);
    if (!sharesRow && own.length === 0) return ofChild;
    const isOwn = (one: FigureColumn) => own.some(({ field }) => field === one.field);
    const common = ofChild.filter((one) => !isIdentifier(one.field.key) && one.field !== stock && !isOwn(one));
    return [...common, ...own.filter(({ field }) => !sharesRow || !isIdentifier(field.key))];
  }

  function textOf(row: number, { at, field }: FigureColumn): string {
    const text = (mended.get(row)?.get(at) ?? table[row - 1]![at] ?? '').trim();
    return field === stock && !/\d/.test(text) ? '' : text;
  }

  /** Rows say the same many times; numbers are others in each. */
  function readOnce(row: number, column: FigureColumn, text: string): CellRead {
    if (isIdentifier(column.field.key)) return readNumber(row, column.field.key, column, text);
    const key = `${column.at}|${text}`;
    let read = known.get(key);
    if (read === undefined) known.set(key, (read = readCell(column, text)));
    return read;
  }

  function readCell({ field, source }: FigureColumn, text: string): CellRead {
    const read = readFigure(registry, field, text, source);
    if (!read.ok || read.figure === null) return read.ok ? null : read;
    const figure = field === stock ? read.figure : checkedFigure(registry, CHILD, field.key, read.figure, EVERYWHERE);
    return figure === null ? null : { ok: true, figure, shown: showFigure(registry, field, figure) };
  }

  function readNumber(row: number, kind: IdentifierKind, column: FigureColumn, text: string): CellRead {
    const read = readCell(column, text);
    if (!read?.ok) return read;
    const number = String(read.figure);
    return numbers.takenBefore(row, column.at, kind, number) ?? around.takenElsewhere(kind, number) ?? read;
  }

  return {
    columnsIn,
    read(child, axes, ofChild) {
      const row = child.rows[0]!;
      const labels = axes.map(({ label }) => (child.at[label] ?? '').trim());
      const read: NewChildRead = { labels, figures: [], pieces: null, problems: [] };
      const refuse = (column: string, problem: Unreadable) =>
        void read.problems.push({ column, message: unreadableText(problem) });
      const empty = axes.find((_, place) => labels[place] === '');
      if (empty) refuse(empty.label, unreadable('cell.empty', { label: empty.label }));
      for (const column of columnsFor(child, ofChild)) {
        const text = textOf(row, column);
        const cell = text === '' ? null : readOnce(row, column, text);
        if (!cell) continue;
        if (!cell.ok) refuse(column.header, cell);
        else if (column.field !== stock) read.figures.push({ column, figure: cell.figure, shown: cell.shown });
        else if (cell.figure !== 0) read.pieces = { header: column.header, count: Number(cell.figure) };
      }
      return read;
    },
  };
}
