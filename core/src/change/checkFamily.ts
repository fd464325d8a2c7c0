/**
 * A family that came from outside, checked as a whole by the very rules of the commands: what could not have been
 * made by them is refused with its place, and figures are brought to the form they are stored in.
 */
import { freeze } from 'immer';
import { checkCombination, combinationKey } from '../family/combination';
import { everyChild } from '../family/everyChild';
import { foldLabel } from '../family/foldLabel';
import { EVERYWHERE } from '../family/scope';
import { MOST, type Axis, type Carrier, type Child, type Family, type Figures } from '../family/shape';
import { type Place } from '../place/place';
import { crossingKey, placeLabel } from '../family/weave';
import { Refusal } from '../refusal/refusal';
import type { Registry } from '../registry/openRegistry';
import { checkedLabel } from '../axes/values';
import { requireSize } from '../axes/weaving';
import { changedFrom, type Changed } from './run';
import { checkIdentifiers } from './checkIdentifiers';
import { checkedFigure } from './setFigures';

/** Checks a family and gives it with its figures as they are stored. Throws a Refusal that names the place. */
export function checkFamily(registry: Registry, given: Family): Family {
  const family = withStoredFigures(registry, given);
  if (family.fields.name === undefined)
    throw new Refusal('family.no-name', {}, { place: { level: 'family', key: 'name' } });
  checkIds(family);
  checkAxes(family.axes);
  checkCombinations(family);
  requireSize(Object.keys(family.children).length);
  const crossings = new Set<string>();
  for (const [id, child] of Object.entries(family.children)) {
    checkCrossing(family, id, child);
    const key = crossingKey(family.axes, child.at);
    if (crossings.has(key))
      throw new Refusal('family.twin-crossing', { where: placeLabel(family, { level: 'child', childId: id }) });
    crossings.add(key);
  }
  checkIdentifiers(registry, family, null);
  return freeze(family, true);
}

/** Ids are the family's own, each once, and all below the next one to be given. */
function checkIds(family: Family): void {
  if (!/^[a-z][a-z0-9]{0,39}$/.test(family.id)) throw new Refusal('family.wrong-id', { id: family.id });
  const seen = new Set<string>();
  const note = (id: string, form: RegExp) => {
    const number = form.exec(id)?.[1];
    if (number === undefined) throw new Refusal('family.wrong-id', { id });
    if (seen.has(id)) throw new Refusal('family.twin-id', { id });
    if (Number(number) >= family.next) throw new Refusal('family.next-too-low', { next: family.next, id });
    seen.add(id);
  };
  for (const axis of family.axes) {
    note(axis.id, /^a(\d{1,9})$/);
    for (const value of axis.values) note(value.id, /^v(\d{1,9})$/);
  }
  for (const id of Object.keys(family.shelf)) {
    if (family.children[id]) throw new Refusal('family.shelf-stands', { id });
    if (family.shelf[id]!.child.id !== id) throw new Refusal('family.child-misfiled', { id });
  }
  const childForm = new RegExp(`^${family.id}\\.c(\\d{1,9})$`);
  for (const child of everyChild(family)) note(child.id, childForm);
}

function checkAxes(axes: readonly Axis[]): void {
  axes.forEach((axis, at) => {
    if (axis.label.trim() === '') throw new Refusal('axis.no-label', {});
    if (axes.some((one, other) => other < at && foldLabel(one.label) === foldLabel(axis.label))) {
      throw new Refusal('axis.twice', { label: axis.label });
    }
    if (axis.values.length === 0) throw new Refusal('axis.empty', {});
    axis.values.forEach((value, place) => {
      checkedLabel(value.label, axis.values.slice(0, place), { level: 'value', axisId: axis.id, valueId: value.id });
      const twin = axis.values.slice(0, place).find((one) => one.code !== '' && one.code === value.code);
      if (twin) throw new Refusal('value.code-twice', { label: twin.label, code: value.code });
    });
  });
}

function checkCombinations(family: Family): void {
  for (const [key, { at }] of Object.entries(family.combinations ?? {})) {
    checkCombination(family, at);
    if (combinationKey(at) !== key) throw new Refusal('combination.misfiled', { key });
  }
}

function checkCrossing(family: Family, id: string, child: Child): void {
  if (child.id !== id) throw new Refusal('family.child-misfiled', { id });
  const off = family.axes.find((axis) => !axis.values.some((value) => value.id === child.at[axis.id]));
  if (off) throw new Refusal('family.child-off-axis', { id, label: off.label });
}

function withStoredFigures(registry: Registry, family: Family): Family {
  const stored = <T extends Carrier>(carrier: T, place: Place): T => {
    const scoped = Object.entries(carrier.scoped ?? {}).map(([scope, figures]) => [
      scope,
      storedFigures(registry, place, figures, scope),
    ]);
    if (carrier.pictures.length > MOST.pictures) throw new Refusal('picture.too-many', { most: MOST.pictures });
    return {
      ...carrier,
      fields: storedFigures(registry, place, carrier.fields, EVERYWHERE),
      ...(carrier.scoped ? { scoped: Object.fromEntries(scoped) } : {}),
    };
  };
  const child = (one: Child) => stored(one, { level: 'child', childId: one.id });
  return {
    ...stored(family, { level: 'family' }),
    axes: family.axes.map((axis) => ({
      ...axis,
      values: axis.values.map((value) => stored(value, { level: 'value', axisId: axis.id, valueId: value.id })),
    })),
    ...(family.combinations
      ? { combinations: mapValues(family.combinations, (one) => stored(one, { level: 'combination', at: one.at })) }
      : {}),
    children: mapValues(family.children, child),
    shelf: mapValues(family.shelf, (shelved) => ({ ...shelved, child: child(shelved.child) })),
  };
}

const mapValues = <T>(record: Readonly<Record<string, T>>, change: (one: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([key, one]) => [key, change(one)]));

function storedFigures(registry: Registry, place: Place, figures: Figures, scope: string): Figures {
  const stored: Figures = {};
  for (const [key, figure] of Object.entries(figures)) {
    const checked = checkedFigure(registry, place, key, figure, scope);
    if (checked !== null) stored[key] = checked;
  }
  return stored;
}

/**
 * The change from one state of a family to another that came from outside. Nothing changed: empty patches and the
 * same family.
 */
export function replaceWith(registry: Registry, before: Family, wanted: Family): Changed {
  const checked = checkFamily(registry, wanted);
  return changedFrom(before, { ...checked, revision: before.revision, next: Math.max(before.next, checked.next) });
}
