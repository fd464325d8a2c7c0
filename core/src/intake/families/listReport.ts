/** What becomes of a list, as plain data for other programs. The JSON Schema in docs/formats comes from here. */
import { z } from 'zod';
import { MENDED_CODES } from './shape';
import { RoleSchema } from '../../family/shape';
import { doubtText, listProblemText, whyText } from '../listText';
import { MeaningSchema } from '../table/shape';
import type { ListReading } from './readList';

const Row = z.number().int().min(1).describe('Counted from 1 in the table as read, title and header lines included.');
const Figures = {
  sku: z.string().optional(),
  gtin: z.string().optional(),
  price: z.string().optional().describe('Decimal, in major units: "189.90".'),
  stock: z.number().int().min(0).optional().describe('Pieces.'),
};

export const ListReportSchema = z.object({
  format: z.literal('loom-kin/list'),
  version: z.literal(1),
  table: z.object({
    header: z.array(Row).describe('One row, or two where captions stand above.'),
    columns: z.array(
      z.object({
        header: z.string(),
        meaning: MeaningSchema,
        confidence: z.number().min(0).max(1),
        reason: z.string(),
      }),
    ),
    skipped: z.array(z.object({ row: Row, why: z.string() })),
  }),
  families: z.array(
    z.object({
      name: z.string(),
      brand: z.string().optional(),
      styleCode: z.string().optional(),
      axes: z.array(
        z.object({ label: z.string(), role: RoleSchema, values: z.array(z.string()).describe('In order.') }),
      ),
      children: z.array(
        z.object({ rows: z.array(Row), at: z.record(z.string(), z.string()).describe('Axis → value.'), ...Figures }),
      ),
      parentRows: z.array(Row).describe('Rows that say something of the family alone.'),
      why: z.string(),
      doubts: z.array(z.object({ row: Row, text: z.string() })),
    }),
  ),
  singles: z.array(z.object({ rows: z.array(Row), name: z.string(), brand: z.string().optional(), ...Figures })),
  problems: z.array(z.object({ row: Row, column: z.string().optional(), code: z.string(), text: z.string() })),
  mended: z
    .array(z.object({ row: Row, column: z.string(), code: z.enum(MENDED_CODES), from: z.string(), to: z.string() }))
    .describe(
      'Cells that a spreadsheet had hurt and that can be read one way only: numbers without their zero, sizes that became days.',
    ),
});
export type ListReport = z.infer<typeof ListReportSchema>;

/** The report on a list that was read. */
export function listReport(reading: ListReading): ListReport {
  const brandOf = (brand: string) => (brand === '' ? {} : { brand });
  return {
    format: 'loom-kin/list',
    version: 1,
    table: {
      header: reading.headerRows,
      columns: reading.columns.map(({ header, meaning, confidence, reason }) => ({
        header,
        meaning,
        reason,
        confidence: Math.round(confidence * 100) / 100,
      })),
      skipped: reading.skipped,
    },
    families: reading.families.map((family) => ({
      name: family.name,
      ...brandOf(family.brand),
      ...(family.style === '' ? {} : { styleCode: family.style }),
      axes: family.axes,
      children: family.children.map(({ rows, at }, place) => ({
        rows,
        at,
        ...reading.figures.get(family.key)![place],
      })),
      parentRows: family.parentRows,
      why: whyText(family),
      doubts: family.doubts.map((doubt) => ({ row: doubt.row, text: doubtText(doubt) })),
    })),
    singles: reading.singles.map(({ rows, name, brand }, at) => ({
      rows,
      name,
      ...brandOf(brand),
      ...reading.singleFigures[at],
    })),
    problems: reading.problems.map((problem) => ({ ...problem, text: listProblemText(problem) })),
    mended: reading.mended,
  };
}
