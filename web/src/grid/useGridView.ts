/** What the grid shows at this moment: its columns, its rows, and the text of every cell, worked out when somebody looks at it. */
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import { type Child, type ColumnGroup, EVERYWHERE, type Family, columnOf } from '@loom-kin/core/family';
import { isNumeric, showColumn } from '@loom-kin/core/registry';
import { useFamily } from '../stores/family';
import { useLayout } from './layout';
import { placesOf, type Pieces } from '../stores/pieces';
import { useSetup } from '../stores/setup';
import { sourceText } from '../common/sourceText';
import { fieldColumns, optionColumns, shownColumns, type FieldColumn, type GridColumn } from './gridColumns';
import { arrange, textCounts, type ColumnTexts, type Filters, type Sorting } from './gridRows';

/** What is known of a column while the family stays as it is. */
interface Reader extends ColumnTexts {
  /** Where the figure comes from; null for what is no figure of the family. */
  group(position: number): ColumnGroup | null;
}

export function useGridView() {
  const store = useFamily();
  const setup = useSetup();
  const layout = useLayout();

  const family = computed(() => store.family!);
  const index = computed(() => store.index!);
  const options = shallowRef(optionColumns(family.value));
  const all = shallowRef<FieldColumn[]>([]);
  const shape = computed(() =>
    JSON.stringify([
      family.value.fields.category ?? '',
      family.value.axes.map((axis) => [axis.id, axis.label, axis.values.map((value) => value.label)]),
    ]),
  );
  watch(
    [shape, () => setup.registry, () => setup.accounts],
    () => {
      options.value = optionColumns(family.value);
      all.value = fieldColumns(setup.registry, family.value, setup.accounts);
    },
    { immediate: true },
  );
  const fields = computed(() => shownColumns(all.value, layout.grid));
  const frozen = computed(() => fields.value.filter((column) => layout.grid.frozen.includes(column.id)).length);
  const columns = computed<GridColumn[]>(() => [...options.value, ...fields.value]);
  const columnById = computed(
    () => new Map<string, GridColumn>([...options.value, ...all.value].map((one) => [one.id, one])),
  );

  /** Columns are read when they are first looked at, and anew when the family or its stock is another. */
  const readers = computed(() => {
    const known = new Map<string, Reader>();
    const now = family.value;
    const { stock, stockAt } = store;
    return (column: GridColumn): Reader => {
      let reader = known.get(column.id);
      if (!reader) known.set(column.id, (reader = readerOf(now, column, { stock, stockAt })));
      return reader;
    };
  });

  function readerOf(now: Family, column: GridColumn, { stock, stockAt }: Pieces): Reader {
    const { woven, valueById, rank } = index.value;
    if (column.kind === 'option') {
      const idAt = (position: number) => woven[position]!.at[column.axisId]!;
      return {
        text: (position) => valueById.get(idAt(position))?.label ?? '',
        weight: (position) => rank.get(idAt(position)) ?? 0,
        group: () => null,
      };
    }
    const { field } = column;
    if (field.type === 'stock') {
      const { location } = column;
      const pieces = (position: number) => {
        const { id } = woven[position]!;
        return location ? (placesOf({ stock, stockAt }, id)[location] ?? 0) : (stock[id] ?? 0);
      };
      // What is not counted has no pieces to show: channels are told of as many as they take.
      const counting = columnOf(now, 'counting', column.scopes);
      const words = setup.registry.field('counting');
      const uncounted = (position: number) => {
        const how = counting.at(position) ?? 'counted';
        return how === 'counted' ? null : (words?.choices?.find((one) => one.value === how)?.label ?? String(how));
      };
      return {
        text: (position) => uncounted(position)?.toLowerCase() ?? String(pieces(position)),
        weight: (position) => (uncounted(position) === null ? pieces(position) : Infinity),
        group: () => null,
      };
    }
    const figures = columnOf(now, field.key, column.scopes);
    const show = showColumn(setup.registry, field, figures, setup.currency);
    const text = (position: number) => show(position) || (field.unset ?? '');
    return {
      text,
      weight: (position) => {
        const shown = text(position);
        return isNumeric(field) && shown !== '' ? Number(shown) : shown;
      },
      group: (position) => figures.groupAt(position),
    };
  }

  const arrangement = reactive({ sorting: null as Sorting | null, filters: new Map() as Filters });
  const sortBy = (sorting: Sorting | null) => (arrangement.sorting = sorting);
  /** Shows those alone that have one of some texts in a column; null shows all. */
  function filterBy(columnId: string, wanted: ReadonlySet<string> | null): void {
    const filters = new Map(arrangement.filters);
    if (wanted) filters.set(columnId, wanted);
    else filters.delete(columnId);
    arrangement.filters = filters;
  }
  function arrangeNothing(): void {
    arrangement.filters = new Map();
    arrangement.sorting = null;
  }
  /** Raised to arrange the rows anew: they stay where they are while somebody types in a sorted column. */
  const turn = ref(0);
  const shownIds = shallowRef<readonly string[]>([]);
  watch(
    [
      () => arrangement.sorting,
      () => arrangement.filters,
      () => store.only,
      turn,
      () => index.value.woven.length,
      shape,
      () => store.family?.id,
    ],
    () => {
      const order = arrange(index.value.woven, { ...arrangement, only: store.only }, (id) => {
        const column = columnById.value.get(id);
        return column && readers.value(column);
      });
      shownIds.value = order.map((position) => index.value.woven[position]!.id);
    },
    { immediate: true },
  );
  /** Children that are not woven any more are gone at once. */
  const rows = computed<Child[]>(() =>
    shownIds.value.flatMap((id) => {
      const child = family.value.children[id];
      return child?.woven ? [child] : [];
    }),
  );
  const rowAt = computed(() => new Map(rows.value.map((child, at) => [child.id, at])));
  const columnAt = computed(() => new Map(fields.value.map((column, at) => [column.id, at])));
  const positionOf = (childId: string) => index.value.position.get(childId);

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
    const bound = columnOf(family.value, 'lowStock').at(position);
    const counting = columnOf(family.value, 'counting').at(position) ?? 'counted';
    return typeof bound === 'number' && counting === 'counted' && (store.stock[childId] ?? 0) <= bound;
  }

  /** Where a figure comes from, in words; empty for what is no figure of the family. */
  function source(childId: string, column: GridColumn): string {
    if (column.kind === 'option') return '';
    if (column.field.type === 'stock') return isLow(childId) ? 'low: time to order more' : 'from the stock ledger';
    const from = group(childId, column);
    if (!from?.place) return column.field.unset ? `nobody has set it: ${column.field.unset}` : 'empty';
    const isOwn = from.place.level === 'child';
    const told = { from: from.place, scope: from.scope, surcharges: from.surcharges };
    return sourceText(family.value, setup.accounts, told, { isOwn, scope: column.scope });
  }

  /** Columns of accounts by how a header names them. */
  const named = computed(
    () => new Map(all.value.map((column) => [column.name.toLowerCase(), { id: column.id, key: column.field.key }])),
  );

  return {
    family,
    index,
    all,
    fields,
    frozen,
    columns,
    columnById,
    rows,
    rowAt,
    columnAt,
    arrangement,
    named,
    /** Another whenever a cell may say something else. */
    version: readers,
    text,
    group,
    isOwn,
    isLow,
    source,
    sortBy,
    filterBy,
    arrangeNothing,
    counts: (column: GridColumn) => textCounts(index.value.woven, readers.value(column)),
    arrangeAnew: () => (turn.value += 1),
    isArranged: computed(() => arrangement.sorting !== null || arrangement.filters.size > 0),
  };
}

export type GridView = ReturnType<typeof useGridView>;
