/** What a column is: the figures of one field, each with the children it holds for. */
import type { Scope } from './scope';
import type { Figure } from './shape';
import type { Place } from '../place/place';

/** A surcharge and the value it stands on. */
export interface Surcharge {
  place: Place & { level: 'value' };
  surcharge: string;
}

/** Children that have a figure from one place, or none at all (`place` null). */
export interface ColumnGroup {
  figure: Figure | undefined;
  place: Place | null;
  scope: Scope;
  /** What values add to the figure at `place`; it is in `figure` already. */
  surcharges?: readonly Surcharge[];
  /** Positions of the children among the woven ones, ascending. */
  members: readonly number[];
}

export interface Column {
  readonly groups: readonly ColumnGroup[];
  /** The figure of the child at a position. */
  at(position: number): Figure | undefined;
  /** The group of the child at a position. */
  groupAt(position: number): ColumnGroup;
}
