/** What a list becomes in the catalogue: a verdict for every row, and the families as they will be. */
import type { Family } from '../../family/shape';
import type { Registry } from '../../registry/openRegistry';
import type { CellProblem, Surroundings } from '../readSheet';
import type { Table } from '../table/shape';
import type { FigureColumn } from './figureColumns';
import type { ListNumbers } from './listNumbers';
import type { AddressedPicture } from './pictureAddresses';

/** The list that a family is made from, and what is around the family. */
export interface BecomeInput {
  registry: Registry;
  table: Table;
  columns: readonly FigureColumn[];
  /** Columns of what stands below values that go across, by place. */
  across: ReadonlyMap<number, FigureColumn>;
  pictureColumns: readonly number[];
  /** Numbers as they were mended: row → column → text. */
  mended: ReadonlyMap<number, ReadonlyMap<number, string>>;
  /** Numbers of the rows before. */
  numbers: ListNumbers;
  around: Surroundings;
  /** Pieces held, by child of the families that are there. */
  stock: Record<string, number>;
}

export const LIST_VERDICTS = ['newFamily', 'newChild', 'changed', 'same', 'doubtful', 'goes', 'refused'] as const;
export type ListVerdict = (typeof LIST_VERDICTS)[number];

export interface ListRow {
  /** From 1, in the table as read. */
  row: number;
  verdict: ListVerdict;
  /** The family by its name, and the child by its options. */
  family: string;
  child: string;
  problems: CellProblem[];
  changes: { column: string; before: string; after: string }[];
  /** Why it is in doubt. */
  doubt?: string;
}

/** A family of a list as it will stand. */
export interface Become {
  /** Its key in the list: of singles `single` and the row. */
  key: string;
  /** The family of the catalogue it is brought together with; null for one that is begun. */
  heldId: string | null;
  rows: ListRow[];
  /** What was changed of the family itself. */
  changes: ListRow['changes'];
  /** The family after it; null where none of its rows goes in. */
  family: Family | null;
  /** Where children of a family are to go it is there twice: as it is where they may stay, and where they go. */
  when?: 'stay' | 'go';
  pieces: { childId: string; pieces: number }[];
  /** Pictures that its rows name by address. */
  pictures: AddressedPicture[];
}
