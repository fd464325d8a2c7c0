/** The mouse on the grid's cells: select, drag a range, fill with the handle. Near an edge the grid scrolls by itself. */
import { onUnmounted, shallowRef, type Ref } from 'vue';
import { isWithin, type Range } from './gridMoves';
import type { Spot } from '../common/arrows';
import type { CellEntry } from './useCellEntry';
import type { GridDrawing } from './useGridDrawing';
import type { GridEdits } from './useGridEdits';
import type { GridSelection } from './useGridSelection';

/** Pixels from an edge within which a drag scrolls, and milliseconds between two steps of it. */
const EDGE = 18;
const STEP = 50;

type Drag = { kind: 'cells' } | { kind: 'rows'; from: number } | { kind: 'fill'; from: Range };

export function useGridMouse(
  scroller: Ref<HTMLElement | undefined>,
  drawing: GridDrawing,
  selection: GridSelection,
  edits: GridEdits,
  entry: CellEntry,
) {
  /** The range that letting go of the handle would fill. */
  const filling = shallowRef<Range | null>(null);
  let drag: Drag | null = null;
  let last: PointerEvent | null = null;
  let timer: ReturnType<typeof setInterval> | undefined;

  function onDown(event: PointerEvent): void {
    const target = event.target as HTMLElement;
    if (event.button !== 0 || target.closest('.cell-entry, [role=columnheader]')) return;
    const at = drawing.spotUnder(event);
    if (at.isHead) return;
    if (entry.open.value) entry.end(true);
    entry.endRun();
    if (target.closest('.handle')) drag = { kind: 'fill', from: selection.range.value! };
    else if (at.isOption) {
      drag = { kind: 'rows', from: event.shiftKey ? (selection.begin.value?.y ?? at.y) : at.y };
      selection.selectRows(drag.from, at.y);
    } else {
      drag = { kind: 'cells' };
      if (event.shiftKey) selection.extend(at);
      else selection.select(at);
    }
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp, { once: true });
    timer = setInterval(scrollAtEdge, STEP);
  }

  function onMove(event: PointerEvent): void {
    last = event;
    if (!drag) return;
    const at = drawing.spotUnder(event);
    if (drag.kind === 'cells') selection.extend(at);
    else if (drag.kind === 'rows') selection.selectRows(drag.from, at.y);
    else filling.value = widened(drag.from, at);
  }

  function scrollAtEdge(): void {
    const box = scroller.value?.getBoundingClientRect();
    if (!box || !last || !drag) return;
    const near = (at: number, from: number, to: number) => (at < from + EDGE ? -1 : at > to - EDGE ? 1 : 0);
    const x = near(last.clientX, box.left + drawing.stickyWidth.value, box.right);
    const y = near(last.clientY, box.top + EDGE, box.bottom);
    if (x === 0 && y === 0) return;
    scroller.value!.scrollBy(x * 40, y * 28);
    onMove(last);
  }

  function onUp(): void {
    const done = drag;
    const to = filling.value;
    stop();
    if (done?.kind === 'fill' && to) edits.fillSeries(done.from, to);
  }
  function stop(): void {
    drag = null;
    last = null;
    filling.value = null;
    clearInterval(timer);
    window.removeEventListener('pointermove', onMove);
  }
  onUnmounted(stop);

  function onDouble(event: MouseEvent): void {
    const at = drawing.spotUnder(event);
    if (at.isHead || at.isOption || (event.target as HTMLElement).closest('.cell-entry, .handle')) return;
    selection.select(at);
    entry.begin(selection.textAt(at), false);
  }

  return { filling, onDown, onDouble };
}

/** A range drawn out by the handle to a cell: in one direction alone, the one it went further in. */
export function widened(from: Range, to: Spot): Range | null {
  if (isWithin(from, to)) return null;
  const down = Math.max(to.y - from.y1, from.y - to.y);
  const right = Math.max(to.x - from.x1, from.x - to.x);
  return down >= right
    ? { ...from, y: Math.min(from.y, to.y), y1: Math.max(from.y1, to.y) }
    : { ...from, x: Math.min(from.x, to.x), x1: Math.max(from.x1, to.x) };
}
