/** A plan drawn as threads: where every thread, name and knot stands. No page is needed for it. */
import { type Axis, type Family, familyIndex } from '@loom-kin/core/family';
import type { Plan, TargetAxis } from '@loom-kin/core/fit';
import { children } from '@loom-kin/core/text';
import { columnPlaces, ROW, type ColumnPlaces } from './threadColumn';

export const WIDTH = 640;
const GAP = 26;
const TOP = 16;
const LEFT = 128;
const RIGHT = WIDTH - 176;
/** For values without a swatch: none of the colours that tell a state. */
const HUES = ['#5b6399', '#7c6f8f', '#5d7a85', '#8a7a68', '#6b7480', '#4f6f78'];

export interface Thread {
  d: string;
  colour: string;
  dashed: boolean;
  childIds: string[];
  key: string;
  title: string;
}
export interface Mark {
  x: number;
  y: number;
  text: string;
  anchor: string;
  kind: 'axis' | 'value' | 'note' | 'fold';
  swatch?: string | undefined;
  childIds: string[];
  key: string;
  /** Said on hover, where the text does not say all. */
  title?: string;
}
export interface Knot {
  x: number;
  y: number;
  colour: string;
  key: string;
}
/** A list too long to be read whole: folded until somebody unfolds it. */
export interface Foldable {
  key: string;
  label: string;
  values: number;
}

/** What the parts of a drawing are drawn on. */
interface Sheet {
  family: Family;
  plan: Plan;
  unfolded: ReadonlySet<string>;
  threads: Map<string, Thread>;
  marks: Mark[];
  knots: Knot[];
  foldable: Foldable[];
  /** Value id → height on the left. */
  leftY: Map<string, number>;
  /** The children on offer that have all of these values. */
  childrenOf(...valueIds: string[]): string[];
  colourOf(valueId: string, axisId: string): string;
}

/** Threads, names and knots of a plan, with where each stands. Long lists are folded, but for those in `unfolded`. */
export function threadDrawing(family: Family, plan: Plan, unfolded: ReadonlySet<string> = new Set()) {
  const sheet = newSheet(family, plan, unfolded);
  const left = family.axes.reduce((y, axis) => drawFamilyAxis(sheet, axis, y), TOP);
  const shown = plan.axes.reduce((y, axis, at) => drawTargetAxis(sheet, axis, `t${at}`, y), TOP);
  const axisOf = (id: string) => family.axes.find((axis) => axis.id === id)!;
  const right = plan.split.reduce((y, id) => drawSplit(sheet, axisOf(id), y), shown);
  for (const id of plan.pinned) drawPinned(sheet, axisOf(id));
  for (const axis of family.axes) drawLeftOut(sheet, axis);
  const { marks, knots, foldable } = sheet;
  return { threads: [...sheet.threads.values()], marks, knots, foldable, height: Math.max(left, right) };
}

function newSheet(family: Family, plan: Plan, unfolded: ReadonlySet<string>): Sheet {
  const { valueById, positionsOf, woven } = familyIndex(family);
  const offered = new Set(plan.listings.flatMap((listing) => listing.childIds));
  const hue = new Map(family.axes.map((axis, at) => [axis.id, HUES[at % HUES.length]!]));
  return {
    family,
    plan,
    unfolded,
    marks: [],
    knots: [],
    foldable: [],
    threads: new Map(),
    leftY: new Map(),
    childrenOf(first, ...others) {
      const here = positionsOf(first!).map((at) => woven[at]!);
      return here
        .filter((child) => offered.has(child.id) && others.every((id) => Object.values(child.at).includes(id)))
        .map((child) => child.id);
    },
    colourOf: (valueId, axisId) => valueById.get(valueId)?.swatch ?? hue.get(axisId)!,
  };
}

/** The title of a list, its entries as far as they are unfolded, and where each stands. */
function drawColumn(
  sheet: Sheet,
  column: { key: string; x: number; anchor: 'start' | 'end'; title: string; y: number },
  labels: readonly string[],
): ColumnPlaces {
  const { key, x, anchor, title, y } = column;
  sheet.marks.push({ x, y, text: title, anchor, kind: 'axis', childIds: [], key: `a${key}` });
  const places = columnPlaces(labels, y + ROW, sheet.unfolded.has(key));
  if (places.isLong) sheet.foldable.push({ key, label: title, values: labels.length });
  if (places.fold) {
    const { hidden, y: at } = places.fold;
    const text = `${hidden.length} more`;
    sheet.marks.push({ x, y: at, text, anchor, kind: 'fold', childIds: [], key: `f${key}`, title: hidden.join(', ') });
  }
  return places;
}

/** Threads that run through a fold between the same ends are one. */
function addThread(sheet: Sheet, thread: Thread): void {
  const there = sheet.threads.get(thread.d);
  if (!there) sheet.threads.set(thread.d, thread);
  else
    sheet.threads.set(thread.d, {
      ...there,
      childIds: [...there.childIds, ...thread.childIds],
      title: there.title.endsWith(', and more') ? there.title : `${there.title}, and more`,
    });
}

const curve = (x0: number, y0: number, x1: number, y1: number) =>
  `M${x0},${y0} C${x0 + (x1 - x0) * 0.5},${y0} ${x0 + (x1 - x0) * 0.5},${y1} ${x1},${y1}`;
/** So many characters there is room for on a side. */
const ROOM = { left: 20, right: 31 };
/** A label as it is written on a side, and whole where it has to be shortened. */
function written(label: string, side: keyof typeof ROOM): Pick<Mark, 'text' | 'title'> {
  const most = ROOM[side];
  return label.length > most ? { text: `${label.slice(0, most - 1)}…`, title: label } : { text: label };
}

function drawFamilyAxis(sheet: Sheet, axis: Axis, y: number): number {
  const column = { key: axis.id, x: LEFT, anchor: 'end' as const, title: axis.label, y };
  const places = drawColumn(
    sheet,
    column,
    axis.values.map((value) => value.label),
  );
  axis.values.forEach(({ id, label, swatch }, at) => {
    sheet.leftY.set(id, places.yOf[at]!);
    if (!places.isShown(at)) return;
    sheet.marks.push({
      x: LEFT,
      y: places.yOf[at]!,
      anchor: 'end',
      kind: 'value',
      swatch,
      ...written(label, 'left'),
      ...{ childIds: sheet.childrenOf(id), key: `v${id}` },
    });
  });
  return places.end + GAP - ROW;
}

function drawTargetAxis(sheet: Sheet, axis: TargetAxis, key: string, y: number): number {
  const isJoined = axis.from.length > 1;
  const title = `${axis.name}${isJoined ? ' (joined)' : ''}`;
  const labels = axis.options.map((option) => option.label);
  const places = drawColumn(sheet, { key, x: RIGHT, anchor: 'start', title, y }, labels);
  axis.options.forEach((option, at) => {
    const childIds = sheet.childrenOf(...option.valueIds);
    const to = places.yOf[at]!;
    if (places.isShown(at))
      sheet.marks.push({
        x: RIGHT,
        y: to,
        anchor: 'start',
        kind: 'value',
        ...written(option.label, 'right'),
        ...{ childIds, key: `o${key}${option.key}` },
      });
    option.valueIds.forEach((id, strand) => {
      const from = sheet.leftY.get(id)!;
      // Strands of a joined option meet before it and run twisted into it.
      const d = isJoined
        ? curve(LEFT + 6, from, RIGHT - 92, to) + twisted(RIGHT - 92, to, RIGHT - 6, strand)
        : curve(LEFT + 6, from, RIGHT - 6, to);
      addThread(sheet, {
        ...{ d, dashed: false, childIds, key: `${key}${option.key}.${strand}` },
        colour: sheet.colourOf(id, axis.from[strand]!),
        title: `${option.label}: ${children(childIds.length)}`,
      });
    });
  });
  return places.end + GAP - ROW;
}

function drawSplit(sheet: Sheet, axis: Axis, y: number): number {
  const values = axis.values.filter((value) => sheet.childrenOf(value.id).length > 0);
  const column = { key: `s${axis.id}`, x: RIGHT, anchor: 'start' as const, title: `${axis.label}: a listing each`, y };
  const places = drawColumn(
    sheet,
    column,
    values.map((value) => value.label),
  );
  values.forEach((value, at) => {
    const childIds = sheet.childrenOf(value.id);
    const to = places.yOf[at]!;
    for (const fan of [-4, 0, 4])
      addThread(sheet, {
        d: curve(LEFT + 6, sheet.leftY.get(value.id)!, RIGHT - 6, to + fan),
        ...{ colour: sheet.colourOf(value.id, axis.id), dashed: false, childIds, key: `s${value.id}${fan}` },
        title: `A listing of its own: ${value.label}`,
      });
    if (!places.isShown(at)) return;
    const text = `${value.label} · ${children(childIds.length)}`;
    sheet.marks.push({
      x: RIGHT,
      y: to,
      anchor: 'start',
      kind: 'value',
      ...written(text, 'right'),
      ...{ childIds, key: `sl${value.id}` },
    });
  });
  return places.end + GAP - ROW;
}

function drawPinned(sheet: Sheet, axis: Axis): void {
  for (const value of axis.values) {
    const from = sheet.leftY.get(value.id)!;
    const colour = sheet.colourOf(value.id, axis.id);
    addThread(sheet, {
      ...{ d: `M${LEFT + 6},${from} h60`, colour, dashed: false, key: `p${value.id}` },
      ...{ childIds: sheet.childrenOf(value.id), title: `${axis.label} is a fact of the listing` },
    });
    sheet.knots.push({ x: LEFT + 70, y: from, colour, key: value.id });
    sheet.marks.push({
      x: LEFT + 82,
      y: from,
      text: 'a plain fact',
      anchor: 'start',
      kind: 'note',
      ...{ childIds: [], key: `n${value.id}` },
    });
  }
}

/** Values of which no child is offered. */
function drawLeftOut(sheet: Sheet, axis: Axis): void {
  const { positionsOf, woven } = familyIndex(sheet.family);
  for (const value of axis.values) {
    const all = positionsOf(value.id);
    if (all.length === 0 || sheet.childrenOf(value.id).length > 0) continue;
    addThread(sheet, {
      ...{ d: `M${LEFT + 6},${sheet.leftY.get(value.id)!} h44`, colour: '#a9362b', dashed: true, key: `x${value.id}` },
      ...{ childIds: all.map((at) => woven[at]!.id), title: `${value.label} is left out` },
    });
  }
}

/** A strand winding round its fellow: half waves, the strands half a turn apart. */
function twisted(x0: number, y: number, x1: number, strand: number): string {
  const waves = 5;
  const step = (x1 - x0) / waves;
  let path = '';
  for (let at = 0; at < waves; at++) {
    const lift = ((at + strand) % 2 === 0 ? -1 : 1) * 5;
    path += ` C${x0 + at * step + step * 0.35},${y + lift} ${x0 + at * step + step * 0.65},${y + lift} ${x0 + (at + 1) * step},${y}`;
  }
  return path;
}
