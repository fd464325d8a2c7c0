/** The goods in a picture and their colours, apart from the ground they lie on. */
import { converter, formatHex, type Lab65 } from 'culori';
import type { Pixels } from './pixels';

/** A border is even ground where so many of its pixels lie near its middle colour. */
const EVEN = 0.8;
/** Pixels this near to the ground belong to it, where they hang together with the border (distance in CIELAB). */
const OF_GROUND = 9;
/** Colours this near are one (distance in CIELAB): cloth has folds and shadows. */
const ONE_COLOUR = 14;
/** Colours that fill less of the goods are not told. */
const SMALLEST = 0.06;
const MOST_COLOURS = 5;

export interface Goods {
  colours: { colour: string; share: number }[];
  ground: string | null;
  goods: number;
}

type Lab = readonly [number, number, number];

const toLab = converter('lab65');
/** Colours of 6 bits a channel are measured once; there are 262,144 of them. */
const measured: (Lab | undefined)[] = [];
const FROM_SIX_BITS = 255 / 63;
function labOf(r: number, g: number, b: number): Lab {
  const [red, green, blue] = [r >> 2, g >> 2, b >> 2];
  const key = (red << 12) | (green << 6) | blue;
  return (measured[key] ??= exactLab(red * FROM_SIX_BITS, green * FROM_SIX_BITS, blue * FROM_SIX_BITS));
}
function exactLab(r: number, g: number, b: number): Lab {
  const { l, a, b: yellow } = toLab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
  return [l, a, yellow];
}
const hexOf = ([l, a, b]: Lab): string => formatHex({ mode: 'lab65', l, a, b } satisfies Lab65).toUpperCase();
const distance = (one: Lab, other: Lab) => Math.hypot(one[0] - other[0], one[1] - other[1], one[2] - other[2]);

/**
 * The colours of the goods, the largest first; the ground's colour where it is even, and how much of the picture the goods fill.
 * Where the ground is uneven, what lies in the middle counts as goods. @param pixels three channels, some 96 × 96
 */
export function goodsIn(pixels: Pixels): Goods {
  const labs = labsOf(pixels);
  const ground = groundOf(pixels, labs);
  const isGround = ground ? flooded(pixels, labs, ground) : outside(pixels);
  const goods = labs.filter((_, at) => isGround[at] === 0);
  // A picture of nothing but its ground shows that: white goods on white, a swatch from edge to edge.
  const shown = goods.length >= labs.length * 0.01 ? goods : labs;
  return {
    colours: coloursOf(shown),
    ground: ground ? hexOf(ground) : null,
    goods: goods.length / labs.length,
  };
}

function labsOf({ data }: Pixels): Lab[] {
  const labs: Lab[] = [];
  for (let at = 0; at < data.length; at += 3) labs.push(labOf(data[at]!, data[at + 1]!, data[at + 2]!));
  return labs;
}

function borderOf({ width, height }: Pixels): number[] {
  const border: number[] = [];
  for (let x = 0; x < width; x++) border.push(x, (height - 1) * width + x);
  for (let y = 1; y < height - 1; y++) border.push(y * width, y * width + width - 1);
  return border;
}

/** The middle colour of the border, where most of the border is of it. */
function groundOf(pixels: Pixels, labs: readonly Lab[]): Lab | null {
  const border = borderOf(pixels).map((at) => labs[at]!);
  const middle = ([0, 1, 2] as const).map(
    (channel) => border.map((lab) => lab[channel]).toSorted((a, b) => a - b)[border.length >> 1]!,
  );
  const ground = [middle[0]!, middle[1]!, middle[2]!] as const;
  const near = border.filter((lab) => distance(lab, ground) <= OF_GROUND).length;
  return near >= border.length * EVEN ? ground : null;
}

/** 1 where a pixel is of the ground and hangs together with the border. */
function flooded({ width, height, ...pixels }: Pixels, labs: readonly Lab[], ground: Lab): Uint8Array {
  const reached = new Uint8Array(labs.length);
  const open: number[] = [];
  const reach = (at: number) => {
    if (reached[at] === 1 || distance(labs[at]!, ground) > OF_GROUND) return;
    reached[at] = 1;
    open.push(at);
  };
  borderOf({ width, height, ...pixels }).forEach(reach);
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const x = at % width;
    if (x > 0) reach(at - 1);
    if (x < width - 1) reach(at + 1);
    if (at >= width) reach(at - width);
    if (at < width * (height - 1)) reach(at + width);
  }
  return reached;
}

/** 1 outside of the ellipse that fills the middle six tenths. */
function outside({ width, height }: Pixels): Uint8Array {
  const marks = new Uint8Array(width * height);
  for (let at = 0; at < marks.length; at++) {
    const x = ((at % width) + 0.5) / width - 0.5;
    const y = (Math.floor(at / width) + 0.5) / height - 0.5;
    marks[at] = x * x + y * y > 0.09 ? 1 : 0;
  }
  return marks;
}

interface Cluster {
  sum: [number, number, number];
  count: number;
}
const middleOf = ({ sum, count }: Cluster): Lab => [sum[0] / count, sum[1] / count, sum[2] / count];

/** Pixels put together by cells of CIELAB, the cells then by nearness, the largest first. */
function coloursOf(labs: readonly Lab[]): Goods['colours'] {
  const cells = new Map<string, Cluster>();
  for (const [l, a, b] of labs) {
    const key = `${Math.round(l / 8)} ${Math.round(a / 8)} ${Math.round(b / 8)}`;
    const cell = cells.get(key) ?? { sum: [0, 0, 0], count: 0 };
    cell.sum[0] += l;
    cell.sum[1] += a;
    cell.sum[2] += b;
    cell.count += 1;
    cells.set(key, cell);
  }
  const clusters: Cluster[] = [];
  for (const cell of [...cells.values()].toSorted((a, b) => b.count - a.count)) {
    const near = clusters.find((one) => distance(middleOf(one), middleOf(cell)) <= ONE_COLOUR);
    if (!near) clusters.push(cell);
    else {
      for (const channel of [0, 1, 2] as const) near.sum[channel] += cell.sum[channel];
      near.count += cell.count;
    }
  }
  return clusters
    .toSorted((a, b) => b.count - a.count)
    .map((one) => ({ colour: hexOf(middleOf(one)), share: one.count / labs.length }))
    .filter(({ share }, at) => at === 0 || share >= SMALLEST)
    .slice(0, MOST_COLOURS);
}
