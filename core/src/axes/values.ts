/** Values of an axis: added, changed, ordered, removed. Nothing a child holds is lost. */
import { draftOf, replaceAxis, replaceValue } from '../family/draft';
import { foldLabel } from '../family/foldLabel';
import { takeId } from '../family/takeId';
import { allCrossings, axisOf, crossingKey, valueOf } from '../family/weave';
import { MOST, type Axis, type Family, type Role, type Value } from '../family/shape';
import { type Place } from '../place/place';
import { dressValues, type ValueSpec } from '../registry/dictionary';
import type { Registry } from '../registry/openRegistry';
import { Refusal } from '../refusal/refusal';
import { CONTROL_MARKS } from '../wording/controlMarks';
import { isSizeOrder, sortBySize } from './sizeOrder';
import { renameOnShelf, shelve } from './shelf';
import { crossingsOf, requireSize, weaveValues } from './weaving';

/** The label as it is stored, or a Refusal: one that is empty, too long, or on the axis already whatever its case. */
export function checkedLabel(label: string, others: readonly Pick<Value, 'label'>[], place?: Place): string {
  const trimmed = label.trim().replace(/\s+/g, ' ');
  if (trimmed === '') throw new Refusal('value.empty', {}, { place });
  if (CONTROL_MARKS.test(trimmed)) throw new Refusal('value.marks', { place: 'The label of a value' }, { place });
  if (trimmed.length > MOST.label) throw new Refusal('value.too-long', { label: trimmed, most: MOST.label }, { place });
  if (others.some((one) => foldLabel(one.label) === foldLabel(trimmed))) {
    throw new Refusal('value.twice', { label: trimmed }, { place });
  }
  return trimmed;
}

/** Makes values for an axis that has some already. */
export function makeValues(
  registry: Registry,
  family: Family,
  axis: { role: Role; label: string },
  specs: readonly ValueSpec[],
  present: readonly Value[],
): Value[] {
  if (present.length + specs.length > MOST.values) {
    throw new Refusal('value.too-many', { label: axis.label, most: MOST.values });
  }
  const folded = new Set(present.map((value) => foldLabel(value.label)));
  const checked = specs.map((spec) => {
    const label = checkedLabel(spec.label, folded.has(foldLabel(spec.label)) ? [spec] : []);
    folded.add(foldLabel(label));
    return { ...spec, label };
  });
  return dressValues(registry, axis.role, checked, present).map((dressed) => ({
    id: takeId(family, 'v'),
    ...dressed,
    fields: {},
    pictures: [],
  }));
}

/**
 * Adds values to an axis. Each is woven wherever any other value of the axis is, and where it was itself when it was
 * here before. Without `weave` it is woven nowhere else.
 */
export function addValues(
  registry: Registry,
  family: Family,
  axisId: string,
  specs: readonly ValueSpec[],
  weave = true,
): void {
  const axis = axisOf(family, axisId);
  const patterns = weave ? patternsWithout(family, axisId) : [];
  requireSize(Object.keys(family.children).length + patterns.length * specs.length);
  const made = makeValues(registry, family, axis, specs, axis.values);
  const values = [...axis.values, ...made];
  const wider = { ...axis, values: isSizeOrder(axis.values) ? sortBySize(values) : values };
  replaceAxis(family, wider);
  weaveValues(
    family,
    wider,
    made.map((value) => value.id),
    patterns,
  );
}

/** Where children are woven, whatever their value on the axis; every crossing of the other axes where none is. */
function patternsWithout(family: Family, axisId: string): Record<string, string>[] {
  const others = family.axes.filter((one) => one.id !== axisId);
  const patterns = new Map<string, Record<string, string>>();
  for (const child of Object.values(family.children)) {
    if (child.woven) patterns.set(crossingKey(others, child.at), child.at);
  }
  if (patterns.size > 0) return [...patterns.values()];
  requireSize(crossingsOf(others.map((axis) => axis.values.length)));
  return allCrossings(others);
}

/** Takes values off an axis. Their children go to the shelf. The last value cannot go. */
export function removeValues(family: Family, axisId: string, valueIds: readonly string[]): void {
  const axis = axisOf(family, axisId);
  valueIds.forEach((id) => valueOf(axis, id));
  const gone = new Set(valueIds);
  const left = axis.values.filter((value) => !gone.has(value.id));
  if (left.length === 0) throw new Refusal('axis.would-be-empty', { label: axis.label });
  const before = Object.freeze(draftOf(family));
  for (const child of Object.values(before.children)) {
    if (gone.has(child.at[axisId]!)) shelve(family, before, child.id);
  }
  replaceAxis(family, { ...axis, values: left });
}

/** Puts values in the order given; those not named follow as they stand. */
export function orderValues(family: Family, axisId: string, valueIds: readonly string[]): void {
  const axis = axisOf(family, axisId);
  const first = [...new Set(valueIds)].map((id) => valueOf(axis, id));
  const values = [...first, ...axis.values.filter((value) => !first.includes(value))];
  if (values.some((value, at) => value !== axis.values[at])) replaceAxis(family, { ...axis, values });
}

/** What may be changed of a value. */
export interface ValueEdit {
  label?: string | undefined;
  code?: string | undefined;
  swatch?: string | undefined;
}

/** Changes a value's label, code or swatch. Everything that stands on it stays. */
export function editValue(family: Family, axisId: string, valueId: string, edit: ValueEdit): void {
  const axis = axisOf(family, axisId);
  const value = valueOf(axis, valueId);
  const others = axis.values.filter((one) => one.id !== valueId);
  const place: Place = { level: 'value', axisId, valueId };
  const changed = { ...value };
  if (edit.label !== undefined) {
    changed.label = checkedLabel(edit.label, others, place);
    if (changed.label !== value.label) renameOnShelf(family, axis, valueId, changed.label);
  }
  if (edit.code !== undefined) changed.code = checkedCode(edit.code, others, place);
  if (edit.swatch !== undefined) changed.swatch = edit.swatch.toUpperCase();
  replaceValue(family, axisId, changed);
}

function checkedCode(typed: string, others: readonly Value[], place: Place): string {
  const code = typed.trim().toUpperCase();
  if (!/^[A-Z0-9]{1,12}$/.test(code)) throw new Refusal('value.code', {}, { place });
  const twin = others.find((one) => one.code === code);
  if (twin) throw new Refusal('value.code-twice', { label: twin.label, code }, { place });
  return code;
}

/** The axis with its values by size, where every one of them is a size. */
export const sizedAxis = (axis: Axis): Axis => ({ ...axis, values: sortBySize(axis.values) });
