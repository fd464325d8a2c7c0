/** The columns of the grid: options of the axes, then the fields that the seller shows. */
import { computed, shallowRef, watch } from 'vue';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { fieldColumns, optionColumns, shownColumns, type FieldColumn, type GridColumn } from './gridColumns';
import { useLayout } from './layout';

export function useGridColumns() {
  const store = useFamily();
  const setup = useSetup();
  const layout = useLayout();

  const family = computed(() => store.family!);
  const options = shallowRef(optionColumns(family.value));
  const all = shallowRef<FieldColumn[]>([]);
  /** Another whenever there are other columns, or their words are others. */
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
  return {
    shape,
    all,
    fields,
    frozen: computed(() => fields.value.filter((column) => layout.grid.frozen.includes(column.id)).length),
    columns: computed<GridColumn[]>(() => [...options.value, ...fields.value]),
    columnById: computed(
      () => new Map<string, GridColumn>([...options.value, ...all.value].map((one) => [one.id, one])),
    ),
    columnAt: computed(() => new Map(fields.value.map((column, at) => [column.id, at]))),
    /** Columns of accounts by how a header names them. */
    named: computed(
      () => new Map(all.value.map((column) => [column.name.toLowerCase(), { id: column.id, key: column.field.key }])),
    ),
  };
}

export type GridColumns = ReturnType<typeof useGridColumns>;
