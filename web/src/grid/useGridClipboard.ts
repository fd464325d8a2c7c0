/** Cells of the grid on the clipboard: copied with their headers, pasted where they belong, shown first where that would surprise. */
import { shallowRef } from 'vue';
import { type ClipReading, readClip } from '@loom-kin/core/intake';
import { useSetup } from '../stores/setup';
import { putClip, takeClip, tiled } from './clipboard';
import { cellsOfClip } from './readCells';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';
import type { TakenCells } from './useTakenCells';

/** A pasted block that is shown before it is taken. */
export interface PasteOffer {
  /** As it was matched, and as it would go by place. */
  matched: ClipReading;
  byPlace: ClipReading;
}

export function useGridClipboard(view: GridView, selection: GridSelection, { refused, take }: TakenCells) {
  const setup = useSetup();
  const offer = shallowRef<PasteOffer | null>(null);

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

  return { offer, copy, paste, takeClipping };
}

/** Tells of rows that had no child to go to. */
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
