/** SKUs and GTINs of a list: what each row names, and which row has each number. */
import { readGtin } from '../../identifiers/gtin';
import { identityOf, isIdentifier, type IdentifierKind } from '../../identifiers/sameness';
import { unreadable, unreadableText, type Unreadable } from '../../refusal';
import type { ListChild } from '../families/shape';
import type { CellProblem } from '../readSheet';
import type { Table } from '../table/shape';
import type { FigureColumn } from './figureColumns';

export interface Named {
  kind: IdentifierKind;
  /** The form it is compared in. */
  identity: string;
}

export interface ListNumbers {
  /** The numbers of a row, those that can be read. */
  of(row: number): readonly Named[];
  /** Why a number cannot be given to the child of a row: another row has it. Null where none does. */
  takenBy(kind: IdentifierKind, figure: string): Unreadable | null;
  /** The same of the numbers that the row of a child names. */
  problemOf(child: ListChild): CellProblem | null;
  /** Keeps the numbers of a child that goes in. */
  keep(child: ListChild, family: string): void;
}

/** The numbers of a table. What was mended stands for what the cell says: row → column → text. */
export function openNumbers(
  table: Table,
  columns: readonly FigureColumn[],
  mended: ReadonlyMap<number, ReadonlyMap<number, string>>,
): ListNumbers {
  const places = columns.flatMap(({ at, field }) => (isIdentifier(field.key) ? [{ at, kind: field.key }] : []));
  const known = new Map<number, readonly Named[]>();
  const owners = new Map<string, { row: number; family: string }>();
  const keyOf = (kind: IdentifierKind, identity: string) => `${kind}|${identity}`;

  function of(row: number): readonly Named[] {
    let numbers = known.get(row);
    if (numbers) return numbers;
    numbers = places.flatMap(({ at, kind }) => {
      const identity = readIdentity(kind, (mended.get(row)?.get(at) ?? table[row - 1]![at] ?? '').trim());
      return identity === null ? [] : [{ kind, identity }];
    });
    known.set(row, numbers);
    return numbers;
  }

  /** A number of a row of several children is none of theirs. */
  const ofChild = ({ rows, sharesRow, stockColumn }: ListChild): readonly Named[] =>
    sharesRow || stockColumn !== undefined ? [] : of(rows[0]!);

  function takenBy(kind: IdentifierKind, figure: string): Unreadable | null {
    const owner = owners.get(keyOf(kind, identityOf(kind, figure)));
    return owner ? unreadable('list.number-twice', { kind: kind.toUpperCase(), number: figure, ...owner }) : null;
  }

  return {
    of,
    takenBy,
    problemOf(child) {
      for (const { kind, identity } of ofChild(child)) {
        const problem = takenBy(kind, identity);
        const header = columns.find(({ field }) => field.key === kind)!.header;
        if (problem) return { column: header, message: unreadableText(problem) };
      }
      return null;
    },
    keep(child, family) {
      const { rows } = child;
      for (const { kind, identity } of ofChild(child)) {
        const key = keyOf(kind, identity);
        if (!owners.has(key)) owners.set(key, { row: rows[0]!, family });
      }
    },
  };
}

/** The form that the number of a cell is compared in; null where it cannot be read. */
export function readIdentity(kind: IdentifierKind, text: string): string | null {
  if (text === '') return null;
  if (kind === 'sku') return identityOf('sku', text);
  const read = readGtin(text);
  return read.ok ? identityOf('gtin', read.gtin) : null;
}
