/**
 * Axes of a family: added, renamed, moved, removed. Where a child can still be told apart it stays; a child that has no crossing any
 * more goes to the shelf and comes back, SKU and all, when its values do. What holds for children is kept afterwards, for all changes of
 * the structure alike (`keepAsBefore`).
 */
import { draftOf, replaceAxis, replaceChild } from '../family/draft';
import { foldLabel } from '../family/foldLabel';
import { takeId } from '../family/takeId';
import { axisOf, crossingKey, crossingWithout } from '../family/weave';
import { MOST, type Axis, type Family, type Role, type Wish } from '../family/shape';
import type { ValueSpec } from '../registry/dictionary';
import type { Registry } from '../registry/openRegistry';
import { Refusal } from '../refusal/refusal';
import { CONTROL_MARKS } from '../wording/controlMarks';
import { alikeWithout, undecidedAmong, type Keep } from './alike';
import { renameAxisOnShelf, shelve } from './shelf';
import { makeValues, sizedAxis } from './values';
import { requireSize, weaveValues } from './weaving';

export interface AxisSpec {
  role: Role;
  label: string;
  values: readonly ValueSpec[];
}

/** The name as it is stored, or a Refusal: one that is empty or another axis has. */
export function checkedName(family: Family, label: string, self?: string): string {
  const trimmed = label.trim().replace(/\s+/g, ' ');
  if (trimmed === '') throw new Refusal('axis.no-label', {});
  if (CONTROL_MARKS.test(trimmed)) throw new Refusal('value.marks', { place: 'The name of an axis' });
  if (family.axes.some((axis) => axis.id !== self && foldLabel(axis.label) === foldLabel(trimmed))) {
    throw new Refusal('axis.twice', { label: trimmed });
  }
  return trimmed;
}

/** Makes an axis with its values, sizes in their order; it is not in the family yet. */
export function makeAxis(registry: Registry, family: Family, spec: AxisSpec): Axis {
  if (family.axes.length >= MOST.axes) throw new Refusal('axis.too-many', {});
  if (spec.values.length === 0) throw new Refusal('axis.empty', {});
  const head = { id: takeId(family, 'a'), role: spec.role, label: checkedName(family, spec.label) };
  return sizedAxis({ ...head, values: makeValues(registry, family, head, spec.values, []) });
}

/**
 * Adds an axis. The children that are there take its value number `existingTake` as typed; for the other values new
 * children appear beside each, or those come back that stood there before.
 */
export function addAxis(registry: Registry, family: Family, spec: AxisSpec & { existingTake: number }): void {
  const before = Object.values(family.children);
  requireSize(before.length + before.filter((child) => child.woven).length * (spec.values.length - 1));
  const axis = makeAxis(registry, family, spec);
  const wanted = foldLabel((spec.values[spec.existingTake] ?? spec.values[0]!).label);
  const kept = axis.values.find((value) => foldLabel(value.label) === wanted)!;
  family.axes.push(axis);
  const patterns: Record<string, string>[] = [];
  for (const child of before) {
    const at = { ...child.at, [axis.id]: kept.id };
    replaceChild(family, { ...child, at });
    if (child.woven) patterns.push(at);
  }
  const others = axis.values.filter((value) => value !== kept).map((value) => value.id);
  weaveValues(family, axis, others, patterns);
}

/** Renames an axis, or says anew what it is about; children on the shelf remember it by its new name. */
export function renameAxis(family: Family, axisId: string, label: string, role: Role | undefined): void {
  const axis = axisOf(family, axisId);
  const name = checkedName(family, label, axisId);
  if (name !== axis.label) renameAxisOnShelf(family, axis, name);
  replaceAxis(family, { ...axis, label: name, role: role ?? axis.role });
}

/** Puts an axis into another place among the axes. */
export function moveAxis(family: Family, axisId: string, to: number): void {
  const axis = axisOf(family, axisId);
  const axes = family.axes.filter((one) => one.id !== axisId);
  axes.splice(Math.max(0, Math.min(to, axes.length)), 0, axis);
  family.axes = axes;
}

/** Removes an axis. Where children become alike and `keep` names none, it is refused with the groups as detail. */
export function removeAxis(family: Family, axisId: string, keep: Keep): void {
  const axis = axisOf(family, axisId);
  const losers = losersWithout(family, axis, keep);
  const before = Object.freeze(draftOf(family));
  const others = family.axes.filter((one) => one.id !== axisId);
  const standing = new Set<string>();
  const gone = new Set([axisId]);
  const wovenFirst = Object.values(before.children).toSorted((a, b) => Number(b.woven) - Number(a.woven));
  for (const child of wovenFirst) {
    const key = crossingKey(others, child.at);
    if (losers.has(child.id) || standing.has(key)) {
      shelve(family, before, child.id);
      continue;
    }
    standing.add(key);
    replaceChild(family, { ...child, at: crossingWithout(child.at, gone) });
  }
  family.axes = others;
  family.wishes = Object.fromEntries(
    Object.entries(family.wishes).map(([account, wish]) => [account, wishWithout(wish, axisId)]),
  );
}

/** Children that go because another of their group stays. */
function losersWithout(family: Family, axis: Axis, keep: Keep): Set<string> {
  const { losers, undecided } = undecidedAmong(family, axis.id, alikeWithout(family, axis.id), keep);
  if (undecided.length === 0) return losers;
  throw new Refusal('axis.alike', { label: axis.label, groups: undecided.length }, { detail: undecided });
}

/** A wish that names the axis no more. */
export function wishWithout(wish: Wish, axisId: string): Wish {
  const named = wish.pictureAxis === axisId || [...wish.apart, ...wish.whole].includes(axisId);
  if (!named) return wish;
  const { pictureAxis, ...rest } = wish;
  return {
    ...rest,
    apart: wish.apart.filter((id) => id !== axisId),
    whole: wish.whole.filter((id) => id !== axisId),
    ...(pictureAxis && pictureAxis !== axisId ? { pictureAxis } : {}),
  };
}
