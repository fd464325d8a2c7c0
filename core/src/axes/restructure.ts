/**
 * Changes of axes and values on a family draft. Nothing a child holds is lost: where a child can still be told apart
 * it stays,
 * figures it had from a value that goes become its own, and a child that has no crossing any more is put on the shelf
 * and
 * comes back, SKU and all, when its values do.
 */
import { shortCodes } from '../identifiers/sku';
import { sizeKey, sortSizes } from '../size/sortSizes';
import { takeId } from '../family/takeId';
import { fold } from '../family/labels';
import { resolve } from '../family/level';
import { asItIs, shelve, takeOver, weaveValue } from './shelf';
import { allCrossings, axisOf, crossingKey, valueOf } from '../family/weave';
import { Refusal, type Axis, type Child, type Family, type Role, type Value } from '../family/shape';

/** A value as typed: the rest is made. */
export interface ValueSpec {
  label: string;
  code?: string | undefined;
  swatch?: string | undefined;
}

/** Makes values for an axis. Labels are trimmed; the same label twice (whatever its case) is refused. */
export function makeValues(family: Family, specs: readonly ValueSpec[], present: readonly Value[]): Value[] {
  const folded = new Set(present.map((value) => fold(value.label)));
  for (const spec of specs) {
    const label = spec.label.trim();
    if (label === '') throw new Refusal('value.empty', 'A value needs a label.');
    if (folded.has(fold(label))) throw new Refusal('value.twice', `${label} is on this axis already.`);
    folded.add(fold(label));
  }
  const given = specs.flatMap((spec) => (spec.code ? [spec.code] : []));
  const codes = shortCodes(
    specs.filter((spec) => !spec.code).map((spec) => spec.label),
    [...present.map((value) => value.code), ...given],
  );
  return specs.map((spec) => ({
    id: takeId(family, 'v'),
    label: spec.label.trim(),
    code: spec.code || codes.shift()!,
    ...(spec.swatch ? { swatch: spec.swatch.toUpperCase() } : {}),
    fields: {},
    pictures: [],
  }));
}

/**
 * Adds an axis. The children that are there take its value number `existingTake`; for the other values new children
 * appear beside each,
 * or those come back that stood there before.
 */
export function addAxis(
  family: Family,
  spec: { role: Role; label: string; values: readonly ValueSpec[]; existingTake: number },
): void {
  if (family.axes.length >= 6) throw new Refusal('axis.too-many', 'A family has six axes at most.');
  if (family.axes.some((axis) => fold(axis.label) === fold(spec.label)))
    throw new Refusal('axis.twice', `There is an axis ${spec.label} already.`);
  if (spec.values.length === 0) throw new Refusal('axis.empty', 'An axis needs at least one value.');
  const axis: Axis = {
    id: takeId(family, 'a'),
    role: spec.role,
    label: spec.label.trim(),
    values: makeValues(family, spec.values, []),
  };
  const kept = axis.values[spec.existingTake] ?? axis.values[0]!;
  const before = Object.values(family.children);
  family.axes.push(axis);
  for (const child of before) child.at[axis.id] = kept.id;
  sortIfSizes(axis);
  const patterns = before.filter((child) => child.woven).map((child) => child.at);
  for (const value of axis.values) if (value.id !== kept.id) weaveValue(family, axis, value, patterns);
}

/**
 * Adds values to an axis. Each is woven wherever any other value of the axis is, and where it was itself when it was
 * here before.
 */
export function addValues(family: Family, axisId: string, specs: readonly ValueSpec[]): void {
  const axis = axisOf(family, axisId);
  const inOrder = isInSizeOrder(axis);
  const patterns = new Map<string, Record<string, string>>();
  const others = family.axes.filter((one) => one.id !== axisId);
  for (const child of Object.values(family.children))
    if (child.woven) patterns.set(crossingKey(others, child.at), { ...child.at });
  if (patterns.size === 0) for (const at of allCrossings(others)) patterns.set(crossingKey(others, at), at);
  const made = makeValues(family, specs, axis.values);
  axis.values.push(...made);
  if (inOrder) sortIfSizes(axis);
  for (const value of made) weaveValue(family, axis, value, [...patterns.values()]);
}

/** Takes values off an axis. Their children go to the shelf. The last value cannot go. */
export function removeValues(family: Family, axisId: string, valueIds: readonly string[]): void {
  const axis = axisOf(family, axisId);
  valueIds.forEach((id) => valueOf(axis, id));
  const gone = new Set(valueIds);
  if (axis.values.every((value) => gone.has(value.id))) {
    throw new Refusal(
      'axis.would-be-empty',
      `The axis ${axis.label} would have no value left. Remove the axis instead.`,
    );
  }
  const before = asItIs(family);
  for (const child of Object.values(family.children)) {
    if (gone.has(child.at[axisId]!)) shelve(family, before, child, axis);
  }
  axis.values = axis.values.filter((value) => !gone.has(value.id));
}

/** Children that would become alike without an axis. */
export interface AlikeGroup {
  /** Crossing key over the axes that stay. */
  key: string;
  labels: string[];
  childIds: string[];
}

/** The groups of woven children that only this axis tells apart. */
export function alikeWithout(family: Family, axisId: string): AlikeGroup[] {
  const others = family.axes.filter((axis) => axis.id !== axisId);
  const groups = new Map<string, Child[]>();
  for (const child of Object.values(family.children)) {
    if (!child.woven) continue;
    const key = crossingKey(others, child.at);
    groups.set(key, [...(groups.get(key) ?? []), child]);
  }
  const labelOf = (axis: Axis, child: Child) =>
    axis.values.find((value) => value.id === child.at[axis.id])?.label ?? '—';
  return [...groups]
    .filter(([, children]) => children.length > 1)
    .map(([key, children]) => ({
      key,
      labels: others.map((axis) => labelOf(axis, children[0]!)),
      childIds: children.map((child) => child.id),
    }));
}

/** Which child stays where several become alike: those of one value, or one by one (crossing key → child id). */
export interface Keep {
  valueId?: string | undefined;
  byKey?: Record<string, string> | undefined;
}

/** Removes an axis. Where children become alike and `keep` names none, it is refused with the groups as detail. */
export function removeAxis(family: Family, axisId: string, keep: Keep): void {
  const axis = axisOf(family, axisId);
  const others = family.axes.filter((one) => one.id !== axisId);
  const undecided: AlikeGroup[] = [];
  const losers = new Set<string>();
  for (const group of alikeWithout(family, axisId)) {
    const stays =
      keep.byKey?.[group.key] ?? group.childIds.find((id) => family.children[id]!.at[axisId] === keep.valueId);
    if (!stays || !group.childIds.includes(stays)) undecided.push(group);
    else group.childIds.filter((id) => id !== stays).forEach((id) => losers.add(id));
  }
  if (undecided.length > 0) {
    throw new Refusal(
      'axis.alike',
      `Without ${axis.label}, ${undecided.length} groups of children would be alike. Say which child of each stays.`,
      undefined,
      undecided,
    );
  }
  const before = asItIs(family);
  const standing = new Set<string>();
  const all = Object.values(family.children).sort((a, b) => Number(b.woven) - Number(a.woven));
  for (const child of all) {
    const key = crossingKey(others, child.at);
    if (losers.has(child.id) || standing.has(key)) shelve(family, before, child, axis);
    else {
      standing.add(key);
      takeOver(before, child, axis);
    }
  }
  for (const child of Object.values(family.children)) delete child.at[axisId];
  family.axes = others;
  for (const wish of Object.values(family.wishes)) {
    wish.apart = wish.apart.filter((id) => id !== axisId);
    wish.whole = wish.whole.filter((id) => id !== axisId);
    if (wish.pictureAxis === axisId) delete wish.pictureAxis;
  }
}

/**
 * Puts the axes into another order. Figures that would change hands on a tie between values become the child's own,
 * so that no price moves.
 */
export function moveAxis(family: Family, axisId: string, to: number): void {
  const axis = axisOf(family, axisId);
  const next = family.axes.filter((one) => one.id !== axisId);
  next.splice(Math.max(0, Math.min(to, next.length)), 0, axis);
  const keys = new Set(family.axes.flatMap((one) => one.values.flatMap((value) => Object.keys(value.fields))));
  const before = asItIs(family);
  const reordered = Object.freeze({ ...before, axes: next.map((one) => axisOf(before, one.id)) });
  for (const child of Object.values(before.children)) {
    for (const key of keys) {
      const held = resolve(before, child, key);
      if (held.from && held.figure !== resolve(reordered, child, key).figure)
        family.children[child.id]!.fields[key] = held.figure!;
    }
  }
  family.axes = next;
}

/** Renames an axis; children on the shelf remember it by its new name. */
export function renameAxis(family: Family, axisId: string, label: string, role: Role | undefined): void {
  const axis = axisOf(family, axisId);
  if (family.axes.some((one) => one.id !== axisId && fold(one.label) === fold(label)))
    throw new Refusal('axis.twice', `There is an axis ${label} already.`);
  for (const { was } of Object.values(family.shelf)) {
    if (was[axis.label] === undefined) continue;
    const value = was[axis.label]!;
    delete was[axis.label];
    was[label.trim()] = value;
  }
  axis.label = label.trim();
  if (role) axis.role = role;
}

/** Changes a value's label, code or swatch. Everything that stands on it stays. */
export function editValue(
  family: Family,
  axisId: string,
  valueId: string,
  to: { label?: string | undefined; code?: string | undefined; swatch?: string | undefined },
): void {
  const axis = axisOf(family, axisId);
  const value = valueOf(axis, valueId);
  const others = axis.values.filter((one) => one.id !== valueId);
  if (to.label !== undefined) {
    const label = to.label.trim();
    if (label === '') throw new Refusal('value.empty', 'A value needs a label.', { level: 'value', axisId, valueId });
    if (others.some((one) => fold(one.label) === fold(label)))
      throw new Refusal('value.twice', `${label} is on this axis already.`, { level: 'value', axisId, valueId });
    for (const { was } of Object.values(family.shelf)) if (was[axis.label] === value.label) was[axis.label] = label;
    value.label = label;
  }
  if (to.code !== undefined) {
    const code = to.code.trim().toUpperCase();
    if (!/^[A-Z0-9]{1,12}$/.test(code))
      throw new Refusal('value.code', 'A short code has 1 to 12 letters and digits.', {
        level: 'value',
        axisId,
        valueId,
      });
    const twin = others.find((one) => one.code === code);
    if (twin)
      throw new Refusal('value.code-twice', `${twin.label} has the code ${code} already.`, {
        level: 'value',
        axisId,
        valueId,
      });
    value.code = code;
  }
  if (to.swatch !== undefined) value.swatch = to.swatch.toUpperCase();
}

function isInSizeOrder(axis: Axis): boolean {
  if (axis.values.some((value) => sizeKey(value.label) === null)) return false;
  const labels = axis.values.map((value) => value.label);
  return sortSizes(labels).every((label, at) => label === labels[at]);
}

/** Sorts the values where every one of them is a size. */
export function sortIfSizes(axis: Axis): void {
  if (axis.values.some((value) => sizeKey(value.label) === null)) return;
  const order = sortSizes(axis.values.map((value) => value.label));
  axis.values.sort((a, b) => order.indexOf(a.label) - order.indexOf(b.label));
}
