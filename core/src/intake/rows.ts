/** A family as rows of text, one a child: what CSV and XLSX hold. */
import { showFigure } from '../registry/fields';
import { figureOf } from '../family/level';
import { familyIndex } from '../family/weave';
import type { Family } from '../family/shape';
import { sheetColumns } from './columns';

/** Header and rows. Cells show the figure that holds for the child, wherever it stands. */
export function familyRows(family: Family, stock: Record<string, number>): { headers: string[]; rows: string[][] } {
  const columns = sheetColumns(family);
  const { woven, valueById } = familyIndex(family);
  return {
    headers: columns.map((column) => column.header),
    rows: woven.map((child) =>
      columns.map((column) => {
        if (column.kind === 'option') return valueById.get(child.at[column.axisId]!)!.label;
        if (column.kind === 'stock') return String(stock[child.id] ?? 0);
        return showFigure(column.field, figureOf(family, child, column.field.key));
      }),
    ),
  };
}
