/** Texts that are to go into cells of the grid, however they came: everything good is one change, everything bad is told. */
import { computed, ref } from 'vue';
import { useFamily } from '../stores/family';
import { placesOf } from '../stores/pieces';
import { useSetup } from '../stores/setup';
import { readCells, type TypedCell } from './readCells';
import type { GridView } from './useGridView';

interface TakeManner {
  /** What is told besides. */
  notes?: readonly string[];
  /** Sums are worked out: somebody typed them here. */
  takesSums?: boolean;
}

export function useTakenCells(view: GridView) {
  const store = useFamily();
  const setup = useSetup();
  /** Why cells were not taken, a line each. */
  const refused = ref<string[]>([]);

  const listedOn = computed(
    () =>
      new Map(
        store.live.flatMap(({ account, listing }) =>
          listing.offers.map((one) => [one.sku, setup.accountName(account)] as const),
        ),
      ),
  );

  /** Takes cells: everything good becomes one change, everything bad a line that names its place. */
  function take(cells: readonly TypedCell[], { notes = [], takesSums = false }: TakeManner = {}): void {
    const context = {
      registry: setup.registry,
      family: view.family.value,
      currency: setup.currency,
      stock: store.stock,
      piecesAt: (childId: string, location: string) => placesOf(store, childId)[location] ?? 0,
      takesSums,
      shown: view.text,
      listedOn: (sku: string) => listedOn.value.get(sku),
    };
    const { changes, counts, problems } = readCells(context, cells);
    if (changes.length > 0) store.run({ do: 'setFigures', changes }, counts);
    else if (counts.length > 0) store.count(counts);
    refused.value = [...notes, ...problems];
  }

  return { refused, take };
}

export type TakenCells = ReturnType<typeof useTakenCells>;
