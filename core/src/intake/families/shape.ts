/** What becomes of a list: families with their axes and children, goods sold singly, and what is in doubt. */
import type { Role } from '../../family/shape';
import type { OptionRead } from '../options/shape';
import type { Token } from '../options/tokens';
import type { AcrossKey } from '../table/shape';

/** An option that a row names by itself: in a column, in a cell of several, or as the head of a column. */
export interface GivenOption {
  /** Which axis of the list it is: a role, and the label where there are several of `other`. */
  axis: string;
  role: Role;
  /** How the axis is called. */
  label: string;
  text: string;
  /** Two spellings of one value have the same; known once families are compared. */
  key?: string;
  /** Which kind of option it is was told by the cells of the whole list; those of a family may be of another. */
  isGuessed?: true;
  /** The values of a cell that lists several. */
  listed?: readonly string[];
}

/** The columns in which figures of one child stand, where they go across. */
export type OwnColumns = Partial<Record<AcrossKey, number>>;

/** What stands under a value across. */
export interface Across {
  value: GivenOption;
  columns: OwnColumns;
}

/** A row of goods as it is grouped. */
export interface Item {
  /** Number of its row in the table, from 1. */
  row: number;
  cells: readonly string[];
  name: string;
  brand: string;
  /** The brand as it is compared. */
  brandKey: string;
  style: string;
  /** What it says it belongs to: a parent's number or a key of the list. */
  belongs: string;
  /** The block of rows below one name. */
  block: number | null;
  /** What held it to others before the seller put it elsewhere: its parent goes with it. */
  before?: { belongs: string; style: string; block: number | null };
  /** Its SKU. */
  ownCode: string;
  /** Its price, roughly, for comparing; none where it has none. */
  price: number | null;
  given: GivenOption[];
  across: Across[];
  tokens: readonly Token[];
  /** Options that stand in the name and are taken as such. */
  spans: readonly OptionRead[];
  /** All that its name could hold, before it was settled. */
  read: readonly OptionRead[];
  /** What was taken for a colour without being known as one. */
  unknown?: string;
  /** Where the name repeats what the row gives by itself. */
  said: { from: number; to: number; isCode?: true }[];
  /** Where the name says what tells no goods apart: its brand, what a shop cries out. */
  aside?: readonly { from: number; to: number }[];
  /** The words of its name that are no options, for the spans that they were worked out for. */
  stem?: { spans: readonly OptionRead[]; said: number; words: StemWord[]; key: string };
}

/** The row of a parent: what it says it is, and the block it begins. */
export interface ParentRow {
  row: number;
  name: string;
  /** What rows that are its children have. */
  refs: string[];
  block: number | null;
}

/** A word of the stem, with its place among the tokens of the name. */
export interface StemWord {
  text: string;
  at: number;
}

export interface ListAxis {
  label: string;
  role: Role;
  values: string[];
}

/** What holds a family's rows together. */
export type Bond =
  | { by: 'name'; name: string }
  | { by: 'style'; code: string }
  | { by: 'parent'; ref: string }
  | { by: 'across' }
  | { by: 'blank' }
  | { by: 'seller' };

export interface ListChild {
  rows: number[];
  /** Axis label → value label. */
  at: Record<string, string>;
  /** Columns that are its own, where values go across: what the row has else is none of one child. */
  ownColumns?: OwnColumns;
  /** It is one of several that its row makes: what is one child's alone, such as a number, is not its own. */
  sharesRow?: true;
}

export interface ListFamily {
  /** Stays as long as its first row does: corrections name families by it. */
  key: string;
  name: string;
  brand: string;
  style: string;
  axes: ListAxis[];
  children: ListChild[];
  /** Rows that say something of the family alone. */
  parentRows: number[];
  bonds: Bond[];
  /** Rows of which it is not sure that they belong here, and why. */
  doubts: Doubt[];
}

export interface Doubt {
  row: number;
  code: 'unknownWord' | 'looksAlike' | 'sizeIsDay';
  /** The word, the value, or the family it might belong to. */
  text: string;
}

export interface ListSingle {
  rows: number[];
  name: string;
  brand: string;
}

export interface ListProblem {
  row: number;
  column?: string;
  code: string;
  text: string;
}

export const MENDED_CODES = ['gtin.lost-zero', 'size.date'] as const;
/** A cell that a spreadsheet had hurt: a number without its zero, a size that became a day. */
export interface Mended {
  code: (typeof MENDED_CODES)[number];
  row: number;
  column: string;
  from: string;
  to: string;
}

export interface Recognised {
  families: ListFamily[];
  singles: ListSingle[];
  problems: ListProblem[];
}
