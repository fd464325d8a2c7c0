/**
 * Bringing a family to another state as a whole, for family files: checked like any other change, stored as the
 * difference.
 */
import { freeze, produceWithPatches } from 'immer';
import { checkFigure, fieldOf } from '../registry/fields';
import { mayStand } from '../family/level';
import { crossingKey, placeLabel } from '../family/weave';
import { Refusal, type Family, type Figures, type Place } from '../family/shape';
import { checkIdentifiers, type Changed } from './run';
import { toJsonPatch } from './patch';

/**
 * Checks a family that came from outside: every child on every axis, no crossing twice, every figure right for its
 * field.
 */
export function checkFamily(family: Family): void {
  const crossings = new Map<string, string>();
  const ids = new Set<string>();
  for (const axis of family.axes) {
    for (const id of [axis.id, ...axis.values.map((value) => value.id)]) {
      if (ids.has(id)) throw new Refusal('family.broken', `The id ${id} stands twice in the family.`);
      ids.add(id);
    }
    for (const value of axis.values)
      checkFigures(family, { level: 'value', axisId: axis.id, valueId: value.id }, value.fields);
  }
  checkFigures(family, { level: 'family' }, family.fields);
  if (typeof family.fields.name !== 'string') throw new Refusal('family.no-name', 'A family needs a name.');
  for (const [id, child] of Object.entries(family.children)) {
    const off = family.axes.find((axis) => !axis.values.some((value) => value.id === child.at[axis.id]));
    if (child.id !== id || off)
      throw new Refusal(
        'family.broken',
        off ? `The child ${id} has no value on the axis ${off.label}.` : `The child ${id} is filed under another id.`,
      );
    const key = crossingKey(family.axes, child.at);
    if (crossings.has(key))
      throw new Refusal(
        'family.broken',
        `Two children stand at ${placeLabel(family, { level: 'child', childId: id })}.`,
      );
    crossings.set(key, id);
    checkFigures(family, { level: 'child', childId: id }, child.fields);
  }
  checkIdentifiers(family);
}

function checkFigures(family: Family, place: Place, figures: Figures): void {
  for (const [key, figure] of Object.entries(figures)) {
    const field = fieldOf(key);
    if (!field || !mayStand(place, key))
      throw new Refusal('field.unknown', `"${key}" cannot stand on ${placeLabel(family, place)}.`, { ...place, key });
    const read = checkFigure(field, figure);
    if (!read.ok) throw new Refusal('field.wrong', `${placeLabel(family, place)}: ${read.message}`, { ...place, key });
  }
}

/** The change from one state of a family to another. Nothing changed: empty patches and the same family. */
export function replaceWith(before: Family, wanted: Family): Changed {
  checkFamily(wanted);
  const [after, forward, inverse] = produceWithPatches(before, (draft) => {
    const { revision: _revision, next, ...rest } = wanted;
    bring(draft as unknown as Record<string, unknown>, rest);
    draft.next = Math.max(before.next, next);
  });
  const patch = toJsonPatch(forward);
  if (patch.length === 0) return { family: before, forward: [], inverse: [] };
  return {
    family: freeze({ ...after, revision: before.revision + 1 }, true),
    forward: patch,
    inverse: toJsonPatch(inverse).filter((step) => step.path !== '/next'),
  };
}

/** Assigns only what differs, so that the patches are the difference. */
function bring(to: Record<string, unknown>, from: Record<string, unknown>): void {
  for (const [key, wanted] of Object.entries(from)) {
    const there = to[key];
    if (isPlain(there) && isPlain(wanted)) {
      for (const gone of Object.keys(there)) if (!Object.hasOwn(wanted, gone)) delete there[gone];
      bring(there, wanted);
    } else if (JSON.stringify(there) !== JSON.stringify(wanted)) to[key] = wanted;
  }
}

const isPlain = (data: unknown): data is Record<string, unknown> =>
  typeof data === 'object' && data !== null && !Array.isArray(data);
