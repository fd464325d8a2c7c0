/** What the cells of the grid say, worked out when somebody looks at them, and where it comes from. */
import { computed } from 'vue';
import { type ColumnGroup, EVERYWHERE, columnOf } from '@loom-kin/core/family';
import { sourceText } from '../common/sourceText';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import type { GridColumn } from './gridColumns';
import { readColumn, type ColumnReader } from './readColumn';

export function useCells() {
  const store = useFamily();
  const setup = useSetup();

  /** Columns are read when they are first looked at, and anew when the family or its stock is another. */
  const readers = computed(() => {
    const known = new Map<string, ColumnReader>();
    const read = {
      family: store.family!,
      index: store.index!,
      pieces: { stock: store.stock, stockAt: store.stockAt },
      registry: setup.registry,
      currency: setup.currency,
    };
    return (column: GridColumn): ColumnReader => {
      let reader = known.get(column.id);
      if (!reader) known.set(column.id, (reader = readColumn(read, column)));
      return reader;
    };
  });
  const positionOf = (childId: string) => store.index!.position.get(childId);

  function text(childId: string, column: GridColumn): string {
    const position = positionOf(childId);
    return position === undefined ? '' : readers.value(column).text(position);
  }
  function group(childId: string, column: GridColumn): ColumnGroup | null {
    const position = positionOf(childId);
    return position === undefined ? null : readers.value(column).group(position);
  }

  /** Whether a figure stands on the child itself, for whom the column is about; null where it could stand nowhere else. */
  function isOwn(childId: string, column: GridColumn): boolean | null {
    if (column.kind === 'option' || column.field.type === 'stock') return null;
    if (column.field.levels.length === 1 && column.scope === EVERYWHERE) return null;
    const from = group(childId, column);
    return from?.place?.level === 'child' && from.scope === column.scope;
  }

  /** Whether a child has as few pieces as the seller calls low. */
  function isLow(childId: string): boolean {
    const position = positionOf(childId);
    if (position === undefined) return false;
    const bound = columnOf(store.family!, 'lowStock').at(position);
    const counting = columnOf(store.family!, 'counting').at(position) ?? 'counted';
    return typeof bound === 'number' && counting === 'counted' && (store.stock[childId] ?? 0) <= bound;
  }

  /** Where a figure comes from, in words; empty for what is no figure of the family. */
  function source(childId: string, column: GridColumn): string {
    if (column.kind === 'option') return '';
    if (column.field.type === 'stock') return isLow(childId) ? 'low: time to order more' : 'from the stock ledger';
    const from = group(childId, column);
    if (!from?.place) return column.field.unset ? `nobody has set it: ${column.field.unset}` : 'empty';
    const told = { from: from.place, scope: from.scope, surcharges: from.surcharges };
    const isOwn = from.place.level === 'child';
    return sourceText(store.family!, setup.accounts, told, { isOwn, scope: column.scope });
  }

  return { readers, text, group, isOwn, isLow, source };
}

export type Cells = ReturnType<typeof useCells>;
