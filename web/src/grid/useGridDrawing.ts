/**
 * Which rows and columns of the grid are in view, where each stands, and which cell lies under the mouse. What is drawn stays within one
 * pane of the size that is in view, and is drawn anew as it is scrolled: columns that stick each by themselves would each be a layer of
 * their own, and a key would take a tenth of a second to be seen.
 */
import { computed, onMounted, onUnmounted, ref, type Ref } from 'vue';
import type { FieldColumn, GridColumn } from './gridColumns';
import type { Spot } from '../common/arrows';
import type { GridView } from './useGridView';

/** Pixels. */
export const ROW = 28;
export const HEAD = 30;
/** Rows drawn above and below those in view. */
const MARGIN = 4;

export interface DrawnColumn<C extends GridColumn = GridColumn> {
  column: C;
  /** Place among the field columns; -1 for options. */
  x: number;
  /** Pixels from the left of the whole. */
  left: number;
  /** Stays in view while others are scrolled. */
  isSticky: boolean;
}

export function useGridDrawing(view: GridView, scroller: Ref<HTMLElement | undefined>) {
  const top = ref(0);
  const left = ref(0);
  const height = ref(400);
  const width = ref(800);

  const placed = computed((): DrawnColumn[] => {
    const sticky = view.columns.value.length - view.fields.value.length + view.frozen.value;
    const first = view.columns.value.length - view.fields.value.length;
    let at = 0;
    return view.columns.value.map((column, place) => {
      const drawn = { column, x: place - first, left: at, isSticky: place < sticky };
      at += column.size;
      return drawn;
    });
  });
  const whole = computed(() => {
    const last = placed.value.at(-1);
    return { width: last ? last.left + last.column.size : 0, height: view.rows.value.length * ROW + HEAD };
  });
  const stickyColumns = computed(() => placed.value.filter((one) => one.isSticky));
  const stickyWidth = computed(() => stickyColumns.value.reduce((sum, one) => sum + one.column.size, 0));
  /** First and last scrolled column in view. */
  const scrolled = computed(() => {
    const from = left.value + stickyWidth.value;
    const to = left.value + width.value;
    return placed.value.filter((one) => !one.isSticky && one.left + one.column.size > from && one.left < to);
  });
  const firstRow = computed(() => Math.max(0, Math.floor(top.value / ROW) - MARGIN));
  const rowCount = computed(() => Math.ceil(height.value / ROW) + 2 * MARGIN);
  const drawnRows = computed(() =>
    view.rows.value
      .slice(firstRow.value, firstRow.value + rowCount.value)
      .map((child, at) => ({ child, y: firstRow.value + at })),
  );

  function onScroll(): void {
    if (!scroller.value) return;
    top.value = scroller.value.scrollTop;
    left.value = scroller.value.scrollLeft;
  }
  let watcher: ResizeObserver | null = null;
  onMounted(() => {
    watcher = new ResizeObserver(() => {
      if (!scroller.value) return;
      height.value = scroller.value.clientHeight;
      width.value = scroller.value.clientWidth;
    });
    watcher.observe(scroller.value!);
  });
  onUnmounted(() => watcher?.disconnect());

  const fieldAt = (x: number) => placed.value.find((one) => one.x === x) as DrawnColumn<FieldColumn> | undefined;

  /** Scrolls so that a cell is in view. */
  function show({ x, y }: Spot): void {
    const view = scroller.value;
    const column = fieldAt(x);
    if (!view) return;
    const rowTop = y * ROW;
    if (rowTop < view.scrollTop) view.scrollTop = rowTop;
    else if (rowTop + ROW + HEAD > view.scrollTop + view.clientHeight)
      view.scrollTop = rowTop + ROW + HEAD - view.clientHeight;
    if (column && !column.isSticky) {
      if (column.left - stickyWidth.value < view.scrollLeft) view.scrollLeft = column.left - stickyWidth.value;
      else if (column.left + column.column.size > view.scrollLeft + view.clientWidth) {
        view.scrollLeft = column.left + column.column.size - view.clientWidth;
      }
    }
    onScroll();
  }

  /** The cell under the mouse, the nearest one where it is outside; `option` where it is on the options of a row. */
  function spotUnder(event: { clientX: number; clientY: number }): Spot & { isOption: boolean; isHead: boolean } {
    const box = scroller.value!.getBoundingClientRect();
    const inX = event.clientX - box.left;
    const inY = event.clientY - box.top;
    const at = inX < stickyWidth.value ? inX : inX + scroller.value!.scrollLeft;
    const column = placed.value.find((one) => at < one.left + one.column.size) ?? placed.value.at(-1);
    const y = Math.floor((inY - HEAD + scroller.value!.scrollTop) / ROW);
    return {
      x: Math.max(0, column?.x ?? 0),
      y: Math.max(0, Math.min(view.rows.value.length - 1, y)),
      isOption: (column?.x ?? -1) < 0,
      isHead: inY >= 0 && inY < HEAD,
    };
  }

  /** Where a cell stands in what is in view, for what is laid over it. */
  function boxOf({ x, y }: Spot): { left: number; top: number; width: number; height: number } | null {
    const column = fieldAt(x);
    if (!column) return null;
    const { size } = column.column;
    const fromLeft = column.left - (column.isSticky ? 0 : left.value);
    return { left: fromLeft, top: HEAD + y * ROW - top.value, width: size, height: ROW };
  }

  return {
    placed,
    whole,
    stickyColumns,
    scrolled,
    drawnRows,
    height,
    width,
    top,
    left,
    stickyWidth,
    onScroll,
    show,
    spotUnder,
    boxOf,
    page: () => Math.max(1, Math.floor((height.value - HEAD) / ROW) - 1),
  };
}

export type GridDrawing = ReturnType<typeof useGridDrawing>;
