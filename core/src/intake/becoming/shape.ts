/** What a list becomes in the catalogue: a verdict for every row, and the families as they will be. */
import type { Family } from '../../family/shape';
import type { CellProblem } from '../readSheet';
import type { AddressedPicture } from './pictureAddresses';

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
  pieces: { childId: string; pieces: number }[];
  /** Pictures that its rows name by address. */
  pictures: AddressedPicture[];
}
