/** Where the weave's threads and heads stand, and which of them are in view: they are drawn in one pane, anew as it is scrolled. */
import { computed, onMounted, onUnmounted, ref, type ComputedRef, type Ref } from 'vue';
import type { Band, Cloth } from './cloth';
import type { Spot } from '../common/arrows';

/** Pixels: a line of heads at the top, and how far outer bands stand apart. */
const LINE = 22;
const GAP = 10;
/** Heads at the side: a letter, the room beside the label, and the widest. */
const LETTER = 7;
const ROOM = 34;
const WIDEST = 150;

export interface Head {
  spot: Spot;
  band: Band;
  style: Record<string, string>;
  isOuter: boolean;
}

export function useClothDrawing(
  root: Ref<HTMLElement | undefined>,
  cloth: ComputedRef<Cloth>,
  size: ComputedRef<{ width: number; height: number }>,
) {
  const sideWidths = computed(() =>
    cloth.value.sideAxes.map((axis) => {
      const letters = Math.max(4, ...axis.values.map((value) => value.label.length));
      return Math.min(WIDEST, ROOM + LETTER * letters);
    }),
  );
  const sideWidth = computed(() => (cloth.value.sideAxes.length === 0 ? 20 : sum(sideWidths.value)));
  const topHeight = computed(() => Math.max(LINE, cloth.value.topAxes.length * LINE + 4));
  const lefts = computed(() => startsOf(cloth.value.columns.length, size.value.width, cloth.value.topBands));
  const tops = computed(() => startsOf(cloth.value.rows.length, size.value.height, cloth.value.sideBands));
  const whole = computed(() => ({
    width: sideWidth.value + (lefts.value.at(-1) ?? 0) + size.value.width + 4,
    height: topHeight.value + (tops.value.at(-1) ?? 0) + size.value.height + 4,
  }));

  const view = ref({ left: 0, top: 0, width: 900, height: 400 });
  function look(): void {
    const at = root.value;
    if (at) view.value = { left: at.scrollLeft, top: at.scrollTop, width: at.clientWidth, height: at.clientHeight };
  }
  let watcher: ResizeObserver | null = null;
  onMounted(() => {
    watcher = new ResizeObserver(look);
    watcher.observe(root.value!);
  });
  onUnmounted(() => watcher?.disconnect());
  const columnsInView = computed(() =>
    inView(lefts.value, size.value.width, view.value.left, view.value.width - sideWidth.value),
  );
  const rowsInView = computed(() =>
    inView(tops.value, size.value.height, view.value.top, view.value.height - topHeight.value),
  );

  /** Scrolls so that a crossing is in view. */
  function show({ x, y }: Spot): void {
    const at = root.value;
    if (!at) return;
    const room = { width: at.clientWidth - sideWidth.value - 6, height: at.clientHeight - topHeight.value - 6 };
    if (x >= 0) at.scrollLeft = nearest(lefts.value[x] ?? 0, size.value.width, at.scrollLeft, room.width);
    if (y >= 0) at.scrollTop = nearest(tops.value[y] ?? 0, size.value.height, at.scrollTop, room.height);
    look();
  }

  function headsOf(bands: readonly (readonly Band[])[], isTop: boolean): Head[] {
    const shown = isTop ? columnsInView.value : rowsInView.value;
    const starts = isTop ? lefts.value : tops.value;
    const thread = isTop ? size.value.width : size.value.height;
    return bands.flatMap((level, depth) =>
      level
        .filter((band) => band.to >= (shown[0] ?? 0) && band.from <= (shown.at(-1) ?? -1))
        .map((band): Head => {
          const begin = starts[band.from]!;
          const length = starts[band.to]! - begin + thread;
          return {
            band,
            isOuter: depth < bands.length - 1,
            spot: isTop ? { x: band.from, y: depth - bands.length } : { x: depth - bands.length, y: band.from },
            style: isTop
              ? topBox(begin, depth, length)
              : box(sum(sideWidths.value.slice(0, depth)), begin, sideWidths.value[depth]!, length),
          };
        }),
    );
  }
  /** The name of a wide band stays in view while its threads are scrolled. */
  function topBox(begin: number, depth: number, length: number) {
    const from = Math.max(0, begin - view.value.left);
    return box(sideWidth.value + from, depth * LINE, Math.max(0, begin + length - view.value.left - from), LINE);
  }
  const topHeads = computed(() => headsOf(cloth.value.topBands, true));
  const sideHeads = computed(() => headsOf(cloth.value.sideBands, false));
  /** Heads that are drawn with a row: those that begin there, and for the first row those that began above it. */
  const headsOfRow = (y: number) =>
    sideHeads.value.filter(
      ({ band }) => band.from === y || (y === rowsInView.value[0] && band.from < y && band.to >= y),
    );

  return {
    sideWidth,
    topHeight,
    lefts,
    tops,
    whole,
    columnsInView,
    rowsInView,
    topHeads,
    sideHeads,
    view,
    headsOfRow,
    look,
    show,
  };
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0);
const box = (left: number, top: number, width: number, height: number) => ({
  ...{ left: `${left}px`, top: `${top}px` },
  ...{ width: `${width}px`, height: `${height}px` },
});

/** Where each thread begins. */
function startsOf(threads: number, length: number, bands: readonly (readonly Band[])[]): number[] {
  const breaks = new Set(bands.length > 1 ? bands.at(-2)!.map((band) => band.from) : []);
  let at = -length;
  return Array.from({ length: threads }, (_, thread) => {
    at += length + (thread > 0 && breaks.has(thread) ? GAP : 0);
    return at;
  });
}

const inView = (starts: readonly number[], length: number, from: number, room: number): number[] =>
  starts.flatMap((start, at) => (start + length > from - length && start < from + room + length ? [at] : []));

/** Where to scroll to: as little as brings it into view. */
function nearest(start: number, length: number, from: number, room: number): number {
  if (start < from) return start;
  return start + length > from + room ? start + length - room : from;
}
