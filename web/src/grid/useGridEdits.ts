/** What is done to the grid's cells: typed, pasted, filled, cleared, replaced. Every gesture is one change and one undo. */
import { computed, ref, shallowRef } from 'vue';
import { type ClipReading, goOn, readClip } from '@loom-kin/core/intake';
import { useFamily } from '../stores/family';
import { placesOf } from '../stores/pieces';
import { useSetup } from '../stores/setup';
import { putClip, takeClip, tiled } from './clipboard';
import type { FieldColumn } from './gridColumns';
import type { Range } from './gridMoves';
import { cellsOfClip, readCells, type TypedCell } from './readCells';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';

/** A pasted block that is shown before it is taken. */
export interface PasteOffer {
  /** As it was matched, and as it would go by place. */
  matched: ClipReading;
  byPlace: ClipReading;
}

interface TakeManner {
  /** What is told besides. */
  notes?: readonly string[];
  /** Sums are worked out: somebody typed them here. */
  takesSums?: boolean;
}

export function useGridEdits(view: GridView, selection: GridSelection) {
  const store = useFamily();
  const setup = useSetup();
  /** Why cells were not taken, a line each. */
  const refused = ref<string[]>([]);
  const offer = shallowRef<PasteOffer | null>(null);

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
    const ground = {
      registry: setup.registry,
      family: view.family.value,
      currency: setup.currency,
      stock: store.stock,
      piecesAt: (childId: string, location: string) => placesOf(store, childId)[location] ?? 0,
      takesSums,
      shown: view.text,
      listedOn: (sku: string) => listedOn.value.get(sku),
    };
    const { changes, counts, problems } = readCells(ground, cells);
    if (changes.length > 0) store.run({ do: 'setFigures', changes }, counts);
    else if (counts.length > 0) store.count(counts);
    refused.value = [...notes, ...problems];
  }

  const cellsOf = (range: Range, text: (x: number, y: number) => string): TypedCell[] =>
    selection.cells(range).map(({ childId, column, x, y }) => ({ childId, column, text: text(x, y) }));

  function clear(): void {
    take(selection.cells().map(({ childId, column }) => ({ childId, column, text: '' })));
  }
  /** The same text into every selected cell; sums go on from what each has. */
  function takeIntoAll(text: string): void {
    take(
      selection.cells().map(({ childId, column }) => ({ childId, column, text })),
      { takesSums: true },
    );
  }
  /** What was typed into one cell. */
  const takeTyped = (cell: TypedCell) => take([cell], { takesSums: true });
  /** The first row of the range goes down through it; of a single row, the row above it comes down. */
  function fillDown(): void {
    const range = selection.range.value;
    if (!range) return;
    const from = range.y === range.y1 ? range.y - 1 : range.y;
    if (from < 0) return;
    take(cellsOf({ ...range, y: from + 1, y1: Math.max(range.y1, from + 1) }, (x) => selection.textAt({ x, y: from })));
  }
  function fillRight(): void {
    const range = selection.range.value;
    if (!range) return;
    const from = range.x === range.x1 ? range.x - 1 : range.x;
    if (from < 0) return;
    const into = { ...range, x: from + 1, x1: Math.max(range.x1, from + 1) };
    take(cellsOf(into, (_x, y) => selection.textAt({ x: from, y })));
  }

  /** What the range began goes on to a wider one, downwards or upwards, to the right or the left. */
  function fillSeries(from: Range, to: Range): void {
    const isDown = to.y1 > from.y1 || to.y < from.y;
    const isForward = to.y1 > from.y1 || to.x1 > from.x1;
    const lines = isDown ? columnsIn(from) : rowsIn(from);
    const count = isDown ? to.y1 - to.y - (from.y1 - from.y) : to.x1 - to.x - (from.x1 - from.x);
    const cells = lines.flatMap((spots): TypedCell[] => {
      const texts = spots.map(selection.textAt);
      const more = goOn(isForward ? texts : texts.toReversed(), count);
      const edge = isForward ? spots.at(-1)! : spots[0]!;
      return more.flatMap((text, at) => {
        const step = (at + 1) * (isForward ? 1 : -1);
        const childId = selection.childIdAt(isDown ? edge.y + step : edge.y);
        const column = selection.columnOfSpot(isDown ? edge.x : edge.x + step);
        return childId && column ? [{ childId, column, text }] : [];
      });
    });
    take(cells);
    selection.select({ x: to.x, y: to.y }, { x: to.x1, y: to.y1 });
  }
  const count = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, at) => from + at);
  const columnsIn = (range: Range) =>
    count(range.x, range.x1).map((x) => count(range.y, range.y1).map((y) => ({ x, y })));
  const rowsIn = (range: Range) => count(range.y, range.y1).map((y) => count(range.x, range.x1).map((x) => ({ x, y })));

  /** What is selected goes out with its options and headers, so that it means something elsewhere; one cell goes out alone. */
  function copy(data: DataTransfer): void {
    const range = selection.range.value;
    if (!range) return;
    const columns = view.fields.value.slice(range.x, range.x1 + 1);
    const rows = view.rows.value.slice(range.y, range.y1 + 1);
    const cells = rows.map((child) => columns.map((column) => view.text(child.id, column)));
    if (rows.length * columns.length === 1) return putClip(data, cells, cells);
    const options = view.columns.value.filter((column) => column.kind === 'option');
    const headers = [...options, ...columns].map((column) => column.name);
    const told = rows.map((child, at) => [...options.map((column) => view.text(child.id, column)), ...cells[at]!]);
    putClip(data, [headers, ...told], cells);
  }

  /** A block that names its children goes to them. What would surprise is shown first, and nothing is changed until somebody says so. */
  function paste(data: DataTransfer | null): void {
    const clip = takeClip(data);
    const range = selection.range.value;
    if (!clip || !range) {
      if (range) refused.value = ['There are no cells on the clipboard, or more than 500,000.'];
      return;
    }
    const target = {
      childIds: view.rows.value.slice(range.y).map((child) => child.id),
      columns: view.fields.value.slice(range.x).map((column) => ({ id: column.id, key: column.field.key })),
      named: view.named.value,
    };
    const read = (rows: readonly string[][], isByPlace: boolean) =>
      readClip(setup.registry, view.family.value, rows, target, isByPlace);
    const found = read(clip.rows, clip.isOwn);
    // What names no children is laid over the range again and again.
    const isBare = found.by === 'place' && !found.hasHeader;
    const rows = isBare ? tiled(clip.rows, range.y1 - range.y + 1, range.x1 - range.x + 1) : clip.rows;
    const byPlace = read(rows, true);
    const matched = isBare ? byPlace : found;
    const isPlain = matched.by === 'place' && matched.moved.length === 0;
    const isSure = matched.by !== 'place' && matched.isInPlace && matched.lost.length + matched.moved.length === 0;
    if (isPlain || isSure) takeClipping(matched);
    else offer.value = { matched, byPlace };
  }

  /** Takes a pasted block as it was matched. */
  function takeClipping(reading: ClipReading): void {
    offer.value = null;
    take(
      cellsOfClip(reading, (id) => view.columnById.value.get(id)),
      { notes: beyondText(reading) },
    );
  }

  function beyondText(reading: ClipReading): string[] {
    const over = reading.lost.filter((one) => one.why === 'beyond').length;
    if (over === 0) return [];
    const [all, taken, left] = [reading.childIds.length + over, reading.childIds.length, over].map((one) =>
      one.toLocaleString('en'),
    );
    return [
      `${all} rows were pasted; the ${taken} children from here down took theirs, ${left} ${over === 1 ? 'row' : 'rows'} had no child. Rows for new children go in under Intake.`,
    ];
  }

  /** Gives the figures of a column back, so that children follow their values or the family again. */
  function giveBack(column: FieldColumn, childIds: readonly string[]): void {
    take(childIds.filter((id) => view.isOwn(id, column)).map((childId) => ({ childId, column, text: '' })));
  }

  return {
    refused,
    offer,
    take,
    takeTyped,
    takeIntoAll,
    takeClipping,
    clear,
    fillDown,
    fillRight,
    fillSeries,
    copy,
    paste,
    giveBack,
  };
}

export type GridEdits = ReturnType<typeof useGridEdits>;
