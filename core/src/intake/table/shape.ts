/** A list as it was read: rows of text, and what its columns mean. */
import { z } from 'zod';
import { RoleSchema } from '../../family/shape';

/** Rows of cells as read, title and header lines included. Row 1 is the first. */
export type Table = readonly (readonly string[])[];

/** Cells of its widest row. */
export const widthOf = (table: Table): number => table.reduce((most, row) => Math.max(most, row.length), 0);

/** The table with blank cells at the ends of rows that are shorter than `width`. */
export const evened = (table: Table, width: number): Table =>
  table.map((row) => (row.length >= width ? row : [...row, ...Array<string>(width - row.length).fill('')]));

/** What may stand below values that go across, by the registry's key. */
export const ACROSS_KEYS = ['stock', 'price', 'gtin', 'sku'] as const;
export type AcrossKey = (typeof ACROSS_KEYS)[number];

export const MeaningSchema = z.discriminatedUnion('is', [
  /** A figure of the family or the child, by the registry's key. */
  z.object({ is: z.literal('field'), key: z.string().min(1).max(40) }),
  /** The values of one axis. */
  z.object({ is: z.literal('option'), role: RoleSchema, label: z.string().trim().min(1).max(40) }),
  /** What the options in the column with the same number are called: "Colour". */
  z.object({ is: z.literal('optionName'), number: z.number().int().min(1).max(9) }),
  z.object({ is: z.literal('optionValue'), number: z.number().int().min(1).max(9) }),
  /** Several options in one cell: "Colour: Navy; Size: XL". */
  z.object({ is: z.literal('options') }),
  /** A value of an axis; in the cells stand its pieces, or what `key` says. */
  z.object({
    is: z.literal('across'),
    role: RoleSchema,
    value: z.string().trim().min(1).max(80),
    key: z.enum(ACROSS_KEYS).optional(),
  }),
  /** What families are held together by: a code that all rows of one share. */
  z.object({ is: z.literal('group') }),
  /** The line of goods that a row is of: goods of one name are others in another line. */
  z.object({ is: z.literal('line') }),
  /** The SKU or number of the parent's row. */
  z.object({ is: z.literal('parent') }),
  /** The SKUs of the children, in the row of their parent. */
  z.object({ is: z.literal('children') }),
  /** Whether the row is a parent or a child. */
  z.object({ is: z.literal('kind') }),
  z.object({ is: z.literal('picture') }),
  /** What is done with the row: "delete" takes the child out. */
  z.object({ is: z.literal('deed') }),
  z.object({ is: z.literal('ignored') }),
]);
export type Meaning = z.infer<typeof MeaningSchema>;

/** Why a column is taken for what it is. */
export type ColumnReason =
  'header' | 'content' | 'both' | 'remembered' | 'chosen' | 'beside' | 'nothing' | 'twice' | 'headings';

export interface ListColumn {
  /** Its place, from 0. */
  at: number;
  header: string;
  meaning: Meaning;
  /** From 0 to 1. */
  confidence: number;
  reason: ColumnReason;
}

/** What the seller said of a list's columns: for the next list of its kind. */
export const ListMappingSchema = z.object({
  /** Row of the header, from 1; where it is not said it is found. */
  headerRow: z.number().int().min(1).max(1000).optional(),
  /** Header → meaning; a header that stands twice is told by its place: "Price#2". */
  columns: z.record(z.string().max(200), MeaningSchema).default({}),
  /** The mark before decimals, where it cannot be seen. */
  decimal: z.enum(['.', ',']).optional(),
  /** An empty cell leaves what is there: the list says only what it knows. */
  emptyKeeps: z.boolean().optional(),
  /** Taken over from the last list with these headers. */
  remembered: z.boolean().optional(),
});
export type ListMapping = z.infer<typeof ListMappingSchema>;
export const NO_MAPPING: ListMapping = { columns: {} };
