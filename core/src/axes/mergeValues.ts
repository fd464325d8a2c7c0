/** Values of an axis made one: "gray" and "grey". What their children hold stays as it was. */
import { ownOf } from '../text/own';
import { draftOf, replaceAxis, replaceChild } from '../family/draft';
import { axisOf, crossingKey, valueOf } from '../family/weave';
import type { Axis, Family } from '../family/shape';
import { Refusal } from '../refusal/refusal';
import { alikeWithout, undecidedAmong, type Keep } from './alike';
import { shelve } from './shelf';

/**
 * Children of the values `from` go over to the value `into`. Where one stands there already, `keep` says which of them stays; the others
 * go to the shelf. Where it names none, it is refused with the groups as detail.
 */
export function mergeValues(family: Family, axisId: string, from: readonly string[], into: string, keep: Keep): void {
  const axis = axisOf(family, axisId);
  const target = valueOf(axis, into);
  const gone = new Set(from.filter((id) => valueOf(axis, id) !== target));
  if (gone.size === 0) return;
  const groups = alikeWithout(family, axisId, new Set([...gone, into]));
  const { losers, undecided } = undecidedAmong(family, axisId, groups, keep);
  if (undecided.length > 0)
    throw new Refusal('value.alike', { label: target.label, groups: undecided.length }, { detail: undecided });
  const before = Object.freeze(draftOf(family));
  const merged: Axis = { ...axis, values: axis.values.filter((value) => !gone.has(value.id)) };
  const standing = new Set<string>();
  // Those that stay come first, and of the rest those that stand on the value already: a place that is taken is left alone.
  const inTurn = Object.values(before.children)
    .filter((child) => gone.has(child.at[axisId]!) || child.at[axisId] === into)
    .toSorted((a, b) => rank(a, into, axisId) - rank(b, into, axisId));
  for (const child of inTurn) {
    const at = { ...child.at, [axisId]: into };
    const key = crossingKey(before.axes, at);
    if (losers.has(child.id) || standing.has(key)) {
      shelve(family, before, child.id);
      continue;
    }
    standing.add(key);
    if (child.at[axisId] !== into) replaceChild(family, { ...child, at });
  }
  for (const [id, shelved] of Object.entries(before.shelf)) {
    const { child, was } = shelved;
    if (!gone.has(child.at[axisId] ?? '')) continue;
    const told = ownOf(was, axis.label) === undefined ? was : { ...was, [axis.label]: target.label };
    family.shelf[id] = { child: { ...child, at: { ...child.at, [axisId]: into } }, was: told };
  }
  replaceAxis(family, merged);
}

const rank = (child: { woven: boolean; at: Record<string, string> }, into: string, axisId: string): number =>
  (child.woven ? 0 : 2) + (child.at[axisId] === into ? 0 : 1);
