/** What is set up once and chosen for goods: terms of delivery, payment and return, responsible parties, size charts. */
import { z } from 'zod';
import { ChosenIdSchema } from '../text/chosenId';

const Id = ChosenIdSchema.regex(/^[a-z0-9][a-z0-9-]{0,39}$/);
const Label = z.string().trim().min(1).max(80);

export const TERM_KINDS = ['delivery', 'payment', 'return', 'party'] as const;
export type TermKind = (typeof TERM_KINDS)[number];

export const TermSchema = z.object({
  id: Id,
  kind: z.enum(TERM_KINDS),
  label: Label,
  /** What channels and buyers are told. */
  text: z.string().trim().min(1).max(1000),
});
export type Term = z.infer<typeof TermSchema>;

const Cell = z.string().trim().max(40);

/** Measures by size: a row a size, a column a measure; the first column says the size. */
export const SizeChartSchema = z
  .object({
    id: Id,
    label: Label,
    /** In which the measures are. */
    unit: z.string().trim().max(12).default('cm'),
    columns: z.array(Cell.min(1)).min(2).max(20),
    rows: z.array(z.array(Cell)).min(1).max(60),
  })
  .superRefine(({ columns, rows }, check) => {
    const at = rows.findIndex((row) => row.length !== columns.length || row[0] === '');
    if (at >= 0)
      check.addIssue({
        code: 'custom',
        path: ['rows', at],
        message: 'Each row has a size and a cell for each measure.',
      });
    const sizes = rows.map((row) => row[0]!.toLowerCase());
    const twin = sizes.findIndex((size, nth) => sizes.indexOf(size) !== nth);
    if (twin >= 0)
      check.addIssue({ code: 'custom', path: ['rows', twin], message: `${rows[twin]![0]!} stands twice.` });
  });
export type SizeChart = z.infer<typeof SizeChartSchema>;

/** A chart as lines of text: "Size: Chest cm, Length cm" and a line a size. */
export function sizeChartText({ unit, columns, rows }: SizeChart): string {
  const [size, ...measures] = columns;
  const line = (row: readonly string[]) =>
    `${row[0]!}: ${measures
      .map((measure, at) => [measure, row[at + 1]!] as const)
      .filter(([, cell]) => cell !== '')
      .map(([measure, cell]) => `${measure.toLowerCase()} ${cell}${/^[\d.,\s–-]+$/.test(cell) ? ` ${unit}` : ''}`)
      .join(', ')}`;
  return [`${size!}:`, ...rows.map(line)].join('\n');
}
