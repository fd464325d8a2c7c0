/** A plan drawn as threads: where every thread, name and knot stands. No page is needed for it. */
import { children, familyIndex, type Family, type Plan } from '@loom-kin/core';

export const WIDTH = 640;
const ROW = 17;
const GAP = 26;
const LEFT = 128;
const RIGHT = WIDTH - 176;
/** For values without a swatch: none of the colours that tell a state. */
const HUES = ['#5b6399', '#7c6f8f', '#5d7a85', '#8a7a68', '#6b7480', '#4f6f78'];
const MANY = 14;

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
  kind: 'axis' | 'value' | 'note';
  swatch?: string | undefined;
  childIds: string[];
  key: string;
}

/** Threads, names and knots of a plan, with where each stands. */
export function threadDrawing(family: Family, plan: Plan) {
  const { woven, valueById } = familyIndex(family);
  const offered = new Set(plan.listings.flatMap((listing) => listing.childIds));
  const childrenOf = (...valueIds: string[]) =>
    woven
      .filter((child) => offered.has(child.id) && valueIds.every((id) => Object.values(child.at).includes(id)))
      .map((child) => child.id);
  const threads: Thread[] = [];
  const marks: Mark[] = [];
  const knots: { x: number; y: number; colour: string; key: string }[] = [];
  const hue = new Map(family.axes.map((axis, at) => [axis.id, HUES[at % HUES.length]!]));

  const valueY = new Map<string, number>();
  let y = 16;
  for (const axis of family.axes) {
    marks.push({ x: LEFT, y, text: axis.label, anchor: 'end', kind: 'axis', childIds: [], key: `a${axis.id}` });
    y += ROW;
    const squeeze = Math.min(1, MANY / axis.values.length);
    axis.values.forEach((value, at) => {
      valueY.set(value.id, y);
      if (at * squeeze >= Math.floor((at - 1) * squeeze) + 1 || at === 0 || squeeze === 1) {
        marks.push({
          x: LEFT,
          y,
          text: short(value.label),
          anchor: 'end',
          kind: 'value',
          swatch: value.swatch,
          childIds: childrenOf(value.id),
          key: `v${value.id}`,
        });
      }
      y += ROW * squeeze;
    });
    y += GAP - ROW;
  }
  const leftEnd = y;

  const curve = (x0: number, y0: number, x1: number, y1: number) =>
    `M${x0},${y0} C${x0 + (x1 - x0) * 0.5},${y0} ${x0 + (x1 - x0) * 0.5},${y1} ${x1},${y1}`;
  const swatchOf = (id: string, axisId: string) => valueById.get(id)?.swatch ?? hue.get(axisId)!;
  y = 16;
  for (const axis of plan.axes) {
    const joined = axis.from.length > 1;
    marks.push({
      x: RIGHT,
      y,
      text: `${axis.name}${joined ? ' (joined)' : ''}`,
      anchor: 'start',
      kind: 'axis',
      childIds: [],
      key: `t${axis.name}`,
    });
    y += ROW;
    const squeeze = Math.min(1, MANY / axis.options.length);
    axis.options.forEach((option, at) => {
      const childIds = childrenOf(...option.valueIds);
      if (squeeze === 1 || at % Math.ceil(1 / squeeze) === 0)
        marks.push({
          x: RIGHT,
          y,
          text: option.label,
          anchor: 'start',
          kind: 'value',
          childIds,
          key: `o${axis.name}${option.key}`,
        });
      option.valueIds.forEach((id, strand) => {
        const from = axis.from[strand]!;
        const y0 = valueY.get(id)!;
        // Strands of a joined option meet before it and run twisted into it.
        const twist = joined ? twisted(RIGHT - 92, y, RIGHT - 6, strand) : '';
        threads.push({
          d: joined ? curve(LEFT + 6, y0, RIGHT - 92, y) + twist : curve(LEFT + 6, y0, RIGHT - 6, y),
          colour: swatchOf(id, from),
          dashed: false,
          childIds,
          key: `${option.key}.${strand}`,
          title: `${option.label}: ${children(childIds.length)}`,
        });
      });
      y += ROW * squeeze;
    });
    y += GAP - ROW;
  }
  for (const axisId of plan.split) {
    const axis = family.axes.find((one) => one.id === axisId)!;
    marks.push({
      x: RIGHT,
      y,
      text: `${axis.label}: a listing each`,
      anchor: 'start',
      kind: 'axis',
      childIds: [],
      key: `s${axisId}`,
    });
    y += ROW;
    for (const value of axis.values) {
      const childIds = childrenOf(value.id);
      if (childIds.length === 0) continue;
      for (const fan of [-4, 0, 4])
        threads.push({
          d: curve(LEFT + 6, valueY.get(value.id)!, RIGHT - 6, y + fan),
          colour: swatchOf(value.id, axisId),
          dashed: false,
          childIds,
          key: `s${value.id}${fan}`,
          title: `A listing of its own: ${value.label}`,
        });
      marks.push({
        x: RIGHT,
        y,
        text: `${value.label} · ${children(childIds.length)}`,
        anchor: 'start',
        kind: 'value',
        childIds,
        key: `sl${value.id}`,
      });
      y += ROW;
    }
    y += GAP - ROW;
  }
  for (const axisId of plan.pinned) {
    const axis = family.axes.find((one) => one.id === axisId)!;
    for (const value of axis.values) {
      const from = valueY.get(value.id)!;
      threads.push({
        d: `M${LEFT + 6},${from} h60`,
        colour: swatchOf(value.id, axisId),
        dashed: false,
        childIds: childrenOf(value.id),
        key: `p${value.id}`,
        title: `${axis.label} is a fact of the listing`,
      });
      knots.push({ x: LEFT + 70, y: from, colour: swatchOf(value.id, axisId), key: value.id });
      marks.push({
        x: LEFT + 82,
        y: from,
        text: 'a plain fact',
        anchor: 'start',
        kind: 'note',
        childIds: [],
        key: `n${value.id}`,
      });
    }
  }
  for (const axis of family.axes) {
    for (const value of axis.values) {
      const all = woven.filter((child) => child.at[axis.id] === value.id);
      if (all.length > 0 && all.every((child) => !offered.has(child.id))) {
        threads.push({
          d: `M${LEFT + 6},${valueY.get(value.id)!} h44`,
          colour: '#a9362b',
          dashed: true,
          childIds: all.map((child) => child.id),
          key: `x${value.id}`,
          title: `${value.label} is left out`,
        });
      }
    }
  }
  return { threads, marks, knots, height: Math.max(leftEnd, y) };
}

const short = (text: string) => (text.length > 18 ? text.slice(0, 17) + '…' : text);

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
