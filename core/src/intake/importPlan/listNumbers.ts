/** SKUs and GTINs of a list: what each row names, and which row has each number. */
import { readGtin } from '../../identifiers/gtin';
import { identityOf, isIdentifier, type IdentifierKind } from '../../identifiers/sameness';
import { unreadable, unreadableText, type Unreadable } from '../../refusal/refusal';
import type { ListChild, ListFamily } from '../families/shape';
import type { CellProblem } from '../readSheet';
import type { Table } from '../table/shape';
import type { FigureColumn } from './figureColumns';

export interface Named {
  kind: IdentifierKind;
  /** The form it is compared in. */
  identity: string;
  /** As the list has it, and the place of its column. */
  text: string;
  at: number;
}

export interface ListNumbers {
  /** The numbers of a child, those that can be read. One of a row of several children is none of theirs. */
  ofChild(child: ListChild): readonly Named[];
  /** Why a number cannot be given to the child of a row: a row before it has it. Null where none does. */
  takenBefore(row: number, at: number, kind: IdentifierKind, figure: string): Unreadable | null;
  /** The same of all numbers that the row of a child names. */
  problemOf(child: ListChild): CellProblem | null;
}

/** The numbers of a list: each is that of the first row that names it. What was mended stands for what the cell says: row → column → text. */
export function openNumbers(
  table: Table,
  columns: readonly FigureColumn[],
  across: Iterable<FigureColumn>,
  mended: ReadonlyMap<number, ReadonlyMap<number, string>>,
  families: readonly ListFamily[],
): ListNumbers {
  const numbered = ({ at, field, header }: FigureColumn) =>
    isIdentifier(field.key) ? [{ at, header, kind: field.key }] : [];
  const ofRows = columns.flatMap(numbered);
  const known = new Map<ListChild, readonly Named[]>();
  const byPlace = new Map([...ofRows, ...[...across].flatMap(numbered)].map((place) => [place.at, place]));
  const owners = new Map<string, { row: number; at: number; family: string }>();

  function read({ rows: [row], sharesRow, ownColumns }: ListChild): Named[] {
    if (sharesRow) return [];
    const own = ownColumns ? Object.values(ownColumns).flatMap((at) => byPlace.get(at) ?? []) : ofRows;
    return own.flatMap(({ at, kind }) => {
      const text = (mended.get(row!)?.get(at) ?? table[row! - 1]![at] ?? '').trim();
      const identity = readIdentity(kind, text);
      return identity === null ? [] : [{ kind, identity, text, at }];
    });
  }

  for (const { children, name } of families)
    for (const child of children) {
      const [row] = child.rows as [number];
      const numbers = read(child);
      known.set(child, numbers);
      for (const { kind, identity, at } of numbers) {
        const key = `${kind}|${identity}`;
        if (row < (owners.get(key)?.row ?? Infinity)) owners.set(key, { row, at, family: name });
      }
    }

  function problemAt(row: number, { kind, identity, text, at }: Named): Unreadable | null {
    const owner = owners.get(`${kind}|${identity}`);
    if (!owner || owner.row > row || (owner.row === row && owner.at === at)) return null;
    const { row: first, family } = owner;
    return unreadable('list.number-twice', { kind: kind.toUpperCase(), number: text, row: first, family });
  }
  const ofChild = (child: ListChild): readonly Named[] => known.get(child) ?? read(child);

  return {
    ofChild,
    takenBefore: (row, at, kind, figure) =>
      problemAt(row, { kind, identity: identityOf(kind, figure), text: figure, at }),
    problemOf(child) {
      for (const number of ofChild(child)) {
        const problem = problemAt(child.rows[0]!, number);
        const { header } = byPlace.get(number.at)!;
        if (problem) return { column: header, message: unreadableText(problem) };
      }
      return null;
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
