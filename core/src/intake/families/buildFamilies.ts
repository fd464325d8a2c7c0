/** Families of clusters: axes with their values in order, children at their crossings, rows that stand alone told apart. */
import { codeKey } from './codeKey';
import type { Cluster } from './clusters';
import { clusterOf } from './clusters';
import { push } from '../filing';
import { isBeside } from './joinCandidates';
import { headsAmong, isEmptyOf, isLeftOut, isParentRow } from './parentRows';
import { choicesOfGoods } from './choicesOfGoods';
import { familyName } from './familyName';
import { cleanName, stemKey } from './nameStems';
import type { Bond, Doubt, Item, ListAxis, ListChild, ListFamily, ListProblem, ListSingle, Recognised } from './shape';
import type { OptionReader } from '../options/readOptions';
import type { IsUsual } from './usualPlaces';
import type { Said, Values } from './values';
import { axesOfCodes } from './codeAxes';
import { partedByCells, partedByHeads } from './partedGoods';
import { sharedHead } from './codeHeads';
import { areApart, axesThatDiffer, axisMore, crossingOf, weaveRows, type RowVariant, type WovenAxis } from './weaves';

export interface Around {
  values: Values;
  options: OptionReader;
  isUsual: IsUsual;
  /** Columns nothing is known of, which may tell children apart. */
  spare: readonly { at: number; header: string }[];
  /** Columns in which goods of one name differ that are not one family: whom they are for. */
  apart: readonly number[];
  doubts: Doubt[];
  parents: { row: number; name: string }[];
}

/** What a cluster becomes. */
export function buildFamilies(cluster: Cluster, around: Around, into: Recognised): void {
  const woven = weaveRows(cluster.items, around.values.read);
  const differing = axesThatDiffer(
    woven,
    (role) => around.isUsual(cluster.items, role) || isLeftOut(cluster.items, role, around.parents),
  );
  const axes = choicesOfGoods(differing, woven.variants);
  const isSaid = cluster.bonds.some(({ by }) => by === 'seller');
  const parts = isSaid ? [woven.variants] : partedBySignature(woven.variants, axes, cluster.isGiven);
  if (parts.length > 1) {
    const heads = headsAmong(woven.variants);
    if (heads.size > 0) {
      for (const { row, name } of heads) around.parents.push({ row, name });
      return buildFamilies({ ...cluster, items: cluster.items.filter((item) => !heads.has(item)) }, around, into);
    }
    const [main, ...others] = parts.sort((a, b) => b.length - a.length);
    for (const part of others) {
      if (part.every((variant) => isParentRow(variant.item, main!))) {
        for (const { item } of part) around.parents.push({ row: item.row, name: item.name });
        continue;
      }
      buildFamilies(
        { ...clusterOf(itemsOf(part)), bonds: cluster.bonds },
        { ...around, parents: [], doubts: [] },
        into,
      );
      for (const row of new Set(part.map(({ item }) => item.row)))
        around.doubts.push({ row, code: 'looksAlike', text: axes.map(({ label }) => label).join(', ') });
    }
    return buildFamilies({ ...cluster, items: itemsOf(main!) }, around, into);
  }
  if (woven.variants.length < 2) return single(cluster.items, around, into.singles);
  finish(cluster, woven.variants, axes, around, into);
}

const itemsOf = (variants: readonly RowVariant[]): Item[] => [...new Set(variants.map(({ item }) => item))];

function single(items: readonly Item[], { parents }: Pick<Around, 'parents'>, singles: ListSingle[]): void {
  const [first] = items as [Item];
  const rows = [...new Set([...items, ...parents].map(({ row }) => row))];
  // What it is of a kind stays in its name; only its number is taken out.
  const said = first.said.filter(({ isCode }) => isCode);
  const name = said.length > 0 ? cleanName({ ...first, spans: [], said }) : first.name;
  singles.push({ rows, name: name || first.style || first.ownCode, brand: first.brand });
}

/** Strands by the axes they have a value on. Where the list itself holds them together they stay so, unless they are something beside the goods. */
function partedBySignature(
  variants: readonly RowVariant[],
  axes: readonly WovenAxis[],
  isGiven: boolean,
): RowVariant[][] {
  const parts = new Map<string, RowVariant[]>();
  for (const variant of variants) {
    const signature = signatureOf(variant, axes);
    const hasNone = () => axes.length > 0 && !signature.includes('1');
    const isApart = !isGiven || (hasNone() && (isBeside(variant.item) || isEmptyOf(variant.item)));
    push(parts, isApart ? signature : 'together', variant);
  }
  if (isGiven && parts.size > 1) {
    const together = [...parts].filter(([key]) => key === 'together').flatMap(([, some]) => some);
    if (together.length === 0) return [...parts.values()];
  }
  return [...parts.values()];
}

/** A figure for each axis: whether a variant has a value on it. */
function signatureOf({ at }: RowVariant, axes: readonly WovenAxis[]): string {
  let signature = '';
  for (const { key } of axes) signature += at.has(key) ? '1' : '0';
  return signature;
}

function finish(
  cluster: Cluster,
  variants: RowVariant[],
  differing: WovenAxis[],
  around: Around,
  into: Recognised,
): void {
  const axes = [...differing];
  while (axes.length < 6 && !areApart(variants, axes)) {
    const more = axisMore({ axes, variants }, axes, around.spare);
    if (!more) break;
    axes.push(more);
  }
  if (!areApart(variants, axes)) {
    axes.push(...axesOfCodes(variants, axes, around.options));
    const isOne = cluster.isGiven || areApart(variants, axes);
    const parts = isOne ? null : (partedByCells(variants, axes, around.apart) ?? partedByHeads(variants, axes));
    if (parts) return buildApart(cluster, parts, around, into);
  }
  const children = childrenOf(variants, axes, around.spare, into.problems);
  if (children.length < 2) return single(cluster.items, around, into.singles);
  into.families.push(familyOf(cluster, variants, axes, children, around));
}

/** Each part a family of its own; what is known of the whole goes with the first. */
function buildApart({ bonds }: Cluster, parts: readonly RowVariant[][], around: Around, into: Recognised): void {
  parts.forEach((part, at) =>
    buildFamilies(
      { ...clusterOf(itemsOf(part)), bonds },
      at === 0 ? around : { ...around, parents: [], doubts: [] },
      into,
    ),
  );
}

/** Rows of one crossing are one child where they say the same; where they do not it is told. */
function childrenOf(
  variants: readonly RowVariant[],
  axes: readonly WovenAxis[],
  spare: Around['spare'],
  problems: ListProblem[],
): { variant: RowVariant; rows: number[] }[] {
  const children = new Map<string, { variant: RowVariant; rows: number[] }>();
  const unknown = new Set(spare.map(({ at }) => at));
  for (const variant of variants) {
    const key = crossingOf(variant, axes);
    const before = children.get(key);
    if (!before) {
      children.set(key, { variant, rows: [variant.item.row] });
      continue;
    }
    const { row } = variant.item;
    if (before.rows.includes(row)) continue;
    before.rows.push(row);
    if (!isSameRow(before.variant.item, variant.item, unknown))
      problems.push({ row, code: 'child.twice', text: String(before.rows[0]) });
  }
  return [...children.values()];
}

/** Whether two rows say the same, in the columns that something is known of. */
const isSameRow = (a: Item, b: Item, unknown: ReadonlySet<number>): boolean =>
  a.cells.every((cell, at) => unknown.has(at) || cell.trim() === (b.cells[at] ?? '').trim());

function familyOf(
  cluster: Cluster,
  variants: readonly RowVariant[],
  axes: readonly WovenAxis[],
  children: readonly { variant: RowVariant; rows: number[] }[],
  around: Around,
): ListFamily {
  const labels = axes.map(({ key, role }) =>
    around.values.labelsOf(
      role,
      variants.map((variant) => variant.at.get(key) ?? NONE),
    ),
  );
  const names = axisNames(axes);
  const placeOf = (variant: RowVariant): ListChild['at'] => {
    const place: ListChild['at'] = {};
    axes.forEach(({ key }, at) => (place[names[at]!] = labels[at]!.get((variant.at.get(key) ?? NONE).key)!));
    return place;
  };
  const firstRow = children.reduce((least, { rows }) => Math.min(least, ...rows), Infinity);
  const first = variants[0]!.item;
  const name =
    around.parents.find((parent) => parent.name !== '')?.name ??
    familyName(variants, axes) ??
    (first.style || first.belongs);
  return {
    key: `row${firstRow}`,
    name,
    brand: first.brand,
    style: styleOf(cluster.items, variants),
    axes: axes.map(({ role }, at): ListAxis => ({ label: names[at]!, role, values: [...labels[at]!.values()] })),
    children: children.map(({ variant, rows: own }): ListChild => ({
      rows: own,
      at: placeOf(variant),
      ...(variant.across ? { ownColumns: variant.across.columns } : {}),
      ...(isListing(variant) ? { sharesRow: true as const } : {}),
    })),
    parentRows: around.parents.map(({ row }) => row),
    bonds: bondsOf(cluster, variants, name),
    doubts: around.doubts,
  };
}

const isListing = ({ item }: RowVariant): boolean => item.given.some(({ listed }) => listed !== undefined);

/**
 * The style code that all rows have, or what their codes begin with where those have the colour behind it. The number of a row that is the
 * whole family is that of the family.
 */
function styleOf(items: readonly Item[], variants: readonly RowVariant[]): string {
  const [first, ...others] = items as [Item];
  if (first.style === '' && others.length === 0 && variants.some(isListing)) return first.ownCode;
  if (others.every(({ style }) => codeKey(style) === codeKey(first.style))) return first.style;
  return sharedHead(items.map(({ style }) => style));
}

/** The value of a child that a list gives none for. */
const NONE: Said = { key: '', text: 'Standard', label: 'Standard' };

/** Labels of axes, no two alike. */
function axisNames(axes: readonly WovenAxis[]): string[] {
  const used = new Set<string>();
  return axes.map(({ label }) => {
    let name = label;
    for (let time = 2; used.has(name.toLowerCase()); time++) name = `${label} ${time}`;
    used.add(name.toLowerCase());
    return name;
  });
}

function bondsOf(cluster: Cluster, variants: readonly RowVariant[], name: string): Bond[] {
  const bonds: Bond[] = [...cluster.bonds];
  const items = itemsOf(variants);
  const stems = new Set(items.map(stemKey));
  const isBlock = items.length > 1 && items[0]!.block !== null && items.every(({ block }) => block === items[0]!.block);
  if (isBlock) bonds.push({ by: 'blank' });
  if (stems.size === 1 && items.length > 1) bonds.push({ by: 'name', name });
  if (variants.some(({ across }) => across)) bonds.push({ by: 'across' });
  return bonds;
}
