/** A family as rows of text, one a child: what CSV and XLSX hold. */
import { columnOf } from '../family/column';
import { familyIndex } from '../family/weave';
import type { Family } from '../family/shape';
import { showColumn } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';
import { sheetColumns } from './columns';

/** Header and rows. Cells show the figure that holds for the child, wherever it stands. */
export function familyRows(
  registry: Registry,
  family: Family,
  stock: Record<string, number>,
): { headers: string[]; rows: string[][] } {
  const columns = sheetColumns(registry, family);
  const { woven, valueById } = familyIndex(family);
  const cells = columns.map((column) => {
    if (column.kind === 'option') return (at: number) => valueById.get(woven[at]!.at[column.axisId]!)!.label;
    if (column.kind === 'stock') return (at: number) => String(stock[woven[at]!.id] ?? 0);
    return showColumn(registry, column.field, columnOf(family, column.field.key));
  });
  return {
    headers: columns.map((column) => column.header),
    rows: woven.map((_, at) => cells.map((cell) => cell(at))),
  };
}
