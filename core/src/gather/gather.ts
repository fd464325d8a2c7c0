/** Families gathered into one: each of their children comes with its SKU and all that holds for it, told apart by new axes. */
import { dequal } from 'dequal';
import { makeAxis } from '../axes/axes';
import type { Standing } from '../axes/holding';
import { keepAsBefore, standingsOf, type Befores } from '../axes/keepAsBefore';
import { makeValues } from '../axes/values';
import { requireSize } from '../axes/weaving';
import { checkIdentifiers } from '../change/checkIdentifiers';
import { changedFrom, type Changed } from '../change/run';
import { draftOf, replaceAxis, replaceChild } from '../family/draft';
import { foldLabel } from '../family/foldLabel';
import { takeId } from '../family/takeId';
import { childLabels, crossingKey, familyIndex } from '../family/weave';
import type { Child, Family, Figure } from '../family/shape';
import { patternAfter } from '../identifiers/housePattern';
import { Refusal } from '../refusal/refusal';
import type { Registry } from '../registry/openRegistry';
import { carrier, withoutInherited } from './carry';
import { comers, keepPicturesToOwn } from './ownPictures';
import { raiseToValues } from './raise';
import type { GatherSpec, Member } from './shape';
import { wishesCarried, wishesWithout } from '../family/wishes';

export interface Gathered {
  /** The family they are all in. */
  into: Changed;
  /** The others without them; one that nobody is left in is retired, with what is its own. */
  others: Changed[];
  /** Where each child that came is now. */
  moves: { familyId: string; childId: string; to: string }[];
  /** What stays behind since only a family has it, and this one has another. */
  left: { familyId: string; key: string; figure: Figure }[];
}

/**
 * Gathers children of several families into one of them. Throws a Refusal where two would be alike, a label is missing, or a family has
 * none of them to give.
 */
export function gather(registry: Registry, into: Family, others: readonly Family[], spec: GatherSpec): Gathered {
  const draft = draftOf(into);
  const own = spec.members.filter(({ familyId }) => familyId === into.id);
  addAxes(registry, draft, into, spec, own);
  draft.skuPattern = patternAfter(registry.data.skuPattern, into.skuPattern, axisLabels(into), axisLabels(draft));
  keepPicturesToOwn(draft, into, spec, comers(into, others, spec));
  const before = Object.freeze(draftOf(draft));
  requireAlike(before, spec.members);
  requireSize(Object.keys(draft.children).length + spec.members.length - own.length);
  const come = spec.members.filter(({ familyId }) => familyId !== into.id);
  addLabels(registry, draft, come);
  const target = Object.freeze(draftOf(draft));
  const moves: Gathered['moves'] = [];
  const left = new Map<string, Gathered['left'][number]>();
  const places = openPlaces(target);
  const carriers = new Map(others.map((one) => [one.id, { from: one, carry: carrier(registry, one) }]));
  for (const { familyId, childId, labels } of come) {
    const source = carriers.get(familyId);
    const child = source?.from.children[childId];
    if (!source || !child) throw new Refusal('child.unknown', {});
    const { own: figures, ofFamily } = source.carry(child);
    const { at, standing } = places(labels);
    if (standing?.woven) throw alike(labels);
    if (standing) delete draft.children[standing.id];
    const id = takeId(draft, 'c');
    replaceChild(draft, withoutInherited(target, { id, at, woven: true, ...figures }));
    moves.push({ familyId, childId, to: id });
    for (const { key, figure } of ofFamily)
      if (!dequal(target.fields[key], figure)) left.set(`${familyId} ${key}`, { familyId, key, figure });
  }
  raiseToValues(
    registry,
    draft,
    spec.axes.map(({ label }) => label),
    new Set(moves.map(({ to }) => to)),
  );
  for (const { id, pictureNotes, wishes } of others) {
    if (pictureNotes) draft.pictureNotes = { ...pictureNotes, ...draft.pictureNotes };
    const gone = moves.flatMap((move) => (move.familyId === id ? [[move.childId, move.to] as const] : []));
    draft.wishes = wishesCarried(draft.wishes, wishes, new Map(gone));
  }
  keepAsBefore(registry, draft, asTheyStood(into, others, moves), false);
  checkIdentifiers(registry, draft, into);
  return {
    into: changedFrom(into, draft),
    others: others.map((one) => without(one, moves)),
    moves,
    left: [...left.values()],
  };
}

/** How everybody who is in the family now stood before: its own children there, the others where they come from. */
function asTheyStood(into: Family, others: readonly Family[], moves: Gathered['moves']): Befores {
  const from = new Map(others.map((one) => [one.id, one]));
  const came = moves.map(({ familyId, childId, to }): [string, Standing] => {
    const family = from.get(familyId)!;
    return [to, { family, child: family.children[childId]! }];
  });
  return new Map([...standingsOf(into), ...came]);
}

const axisLabels = ({ axes }: Family) => axes.map(({ label }) => label);

/** The new axes, with the children that are there on them. */
function addAxes(registry: Registry, draft: Family, before: Family, spec: GatherSpec, own: readonly Member[]): void {
  const firstNew = before.axes.length;
  const labelsOf = new Map(own.map(({ childId, labels }) => [childId, labels]));
  spec.axes.forEach(({ role, label }, nth) => {
    const labels = distinct(spec.members.map((member) => labelAt(member, firstNew + nth)));
    const axis = makeAxis(registry, draft, { role, label, values: labels.map((one) => ({ label: one })) });
    const valueOf = new Map(axis.values.map((value) => [foldLabel(value.label), value.id]));
    // Children nobody named, such as crossings that are out at present, stand where the first of the family does.
    const usual = own[0] ? labelAt(own[0], firstNew + nth) : labels[0]!;
    for (const child of Object.values(draft.children)) {
      const wanted = labelsOf.get(child.id)?.[firstNew + nth] ?? usual;
      const at = { ...child.at };
      at[axis.id] = valueOf.get(foldLabel(wanted))!;
      replaceChild(draft, { ...child, at });
    }
    draft.axes.push(axis);
  });
}

const distinct = (labels: readonly string[]): string[] => [
  ...labels
    .reduce(
      (found, label) => (found.has(foldLabel(label)) ? found : found.set(foldLabel(label), label)),
      new Map<string, string>(),
    )
    .values(),
];

function labelAt({ labels }: Member, place: number): string {
  const label = labels[place]?.trim() ?? '';
  if (label === '') throw new Refusal('gather.no-label', {});
  return label;
}

/** Values that children bring and the axes do not have yet. */
function addLabels(registry: Registry, draft: Family, members: readonly Member[]): void {
  draft.axes.forEach((axis, place) => {
    const there = new Set(axis.values.map((value) => foldLabel(value.label)));
    const more = distinct(members.map((member) => labelAt(member, place))).filter(
      (label) => !there.has(foldLabel(label)),
    );
    if (more.length === 0) return;
    const made = makeValues(
      registry,
      draft,
      axis,
      more.map((label) => ({ label })),
      axis.values,
    );
    replaceAxis(draft, { ...axis, values: [...axis.values, ...made] });
  });
}

/** Finds the crossing of labels, and who stands there. */
function openPlaces(
  family: Family,
): (labels: readonly string[]) => { at: Record<string, string>; standing: Child | undefined } {
  const { valueCalled, byCrossing } = familyIndex(family);
  return (labels) => {
    const at: Child['at'] = {};
    family.axes.forEach(({ id }, place) => (at[id] = valueCalled(id, labels[place]!)!.id));
    return { at, standing: byCrossing.get(crossingKey(family.axes, at)) };
  };
}

const alike = (labels: readonly string[]) => new Refusal('gather.alike', { labels: labels.join(' · ') });

function requireAlike(before: Family, members: readonly Member[]): void {
  const named = new Set(members.map(({ childId }) => childId));
  const standing = familyIndex(before).woven.filter(({ id }) => !named.has(id));
  const seen = new Set(standing.map((child) => childLabels(before, child).map(foldLabel).join('\n')));
  for (const { labels } of members) {
    const key = labels.map(foldLabel).join('\n');
    if (seen.has(key)) throw alike(labels);
    seen.add(key);
  }
}

/** A family without the children that went; it is retired where nobody is left. */
function without(family: Family, moves: Gathered['moves']): Changed {
  const draft = draftOf(family);
  for (const { familyId, childId } of moves) if (familyId === family.id) delete draft.children[childId];
  draft.wishes = wishesWithout(draft.wishes, (id) => family.children[id] !== undefined && !draft.children[id]);
  if (!Object.values(draft.children).some(({ woven }) => woven)) draft.retired = true;
  return changedFrom(family, draft);
}
