/** A list as it is laid out, before titles and totals come around it. */
import type { Family } from './messyGoods';

export interface Line {
  cells: string[];
  family: number | null;
  isParent?: boolean;
}
export interface Sheet {
  headers: string[][];
  lines: Line[];
  families: Family[];
  /** Lines must stand as they are. */
  isOrdered?: boolean;
}
