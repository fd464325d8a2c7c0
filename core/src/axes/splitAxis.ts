/** An axis made two: "Rust/Fleece" becomes Rust on one and Fleece on the other. Nothing its values held is lost. */
import { ownOf } from '../text/own';
import { draftOf, replaceChild } from '../family/draft';
import { foldLabel } from '../family/foldLabel';
import { figuresIn, EVERYWHERE, type Scope } from '../family/scope';
import { axisOf } from '../family/weave';
import { MOST, type Axis, type Child, type Family, type Figure, type Role, type Value } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import { Refusal } from '../refusal/refusal';
import { makeAxis } from './axes';

export interface SplitSpec {
  axisId: string;
  into: readonly [{ role: Role; label: string }, { role: Role; label: string }];
  /** Value → its label on either axis. */
  parts: Readonly<Record<string, readonly [string, string]>>;
}

/** The labels of values parted at the first sign between them; a value without it has none. */
export function partLabels(values: readonly Value[], between: string): Record<string, [string, string]> {
  const parted = values.flatMap(({ id, label }) => {
    const at = between === '' ? -1 : label.indexOf(between);
    const parts = [label.slice(0, at).trim(), label.slice(at + between.length).trim()] as [string, string];
    return at < 0 || parts.includes('') ? [] : [[id, parts] as const];
  });
  return Object.fromEntries(parted);
}

/**
 * Splits an axis. The first of the two is it to wishes. A figure, a picture or a swatch that all values with one part agree on stands on
 * that part; all others become their children's own.
 */
export function splitAxis(registry: Registry, family: Family, spec: SplitSpec): void {
  const axis = axisOf(family, spec.axisId);
  requireParts(axis, spec.parts);
  if (family.axes.length >= MOST.axes) throw new Refusal('axis.too-many', {});
  const before = Object.freeze(draftOf(family));
  family.axes = before.axes.filter((one) => one !== axis);
  const [first, second] = ([0, 1] as const).map((nth): Axis => {
    const labels = distinct(axis.values.map(({ id }) => spec.parts[id]![nth]));
    const made = makeAxis(registry, family, { ...spec.into[nth], values: labels.map((label) => ({ label })) });
    family.axes.push(made);
    return nth === 0 ? { ...made, id: axis.id } : made;
  }) as [Axis, Axis];
  const one = sideOf(axis, first, spec.parts, 0);
  const sides = [one, sideOf(withoutPlaced(axis, one), second, spec.parts, 1)] as const;
  const axes = before.axes.flatMap((one) => (one === axis ? [sides[0].axis, sides[1].axis] : [one]));
  const moved = (child: Child): Child => {
    const stood = child.at[axis.id] ?? '';
    const ids = [sides[0].valueOf(stood)?.id, sides[1].valueOf(stood)?.id];
    if (ids[0] === undefined || ids[1] === undefined) return child;
    const at = { ...child.at };
    at[first.id] = ids[0];
    at[second.id] = ids[1];
    return { ...child, at };
  };
  for (const child of Object.values(before.children)) replaceChild(family, moved(child));
  for (const [id, { child, was }] of Object.entries(before.shelf)) {
    const now = moved(child);
    if (now === child || ownOf(was, axis.label) === undefined) continue;
    const { [axis.label]: _gone, ...rest } = was;
    const labels = sides.map((side) => side.valueOf(child.at[axis.id]!)!.label);
    family.shelf[id] = { child: now, was: { ...rest, [first.label]: labels[0]!, [second.label]: labels[1]! } };
  }
  family.axes = axes;
}

/** Every value needs two parts, and no two values the same. */
function requireParts(axis: Axis, parts: SplitSpec['parts']): void {
  const whole = axis.values.filter(({ id }) => !parts[id] || parts[id].some((part) => part.trim() === ''));
  if (whole.length > 0)
    throw new Refusal('axis.not-parted', { label: axis.label, values: whole.map(({ label }) => label).join(', ') });
  const seen = new Map<string, string>();
  for (const { id, label } of axis.values) {
    const key = parts[id]!.map(foldLabel).join('\n');
    const twin = seen.get(key);
    if (twin !== undefined) throw new Refusal('axis.parts-alike', { first: twin, second: label });
    seen.set(key, label);
  }
}

const distinct = (labels: readonly string[]): string[] =>
  [...new Map(labels.map((label) => [foldLabel(label), label.trim()] as const).reverse()).values()].reverse();

interface Side {
  axis: Axis;
  /** The new value for an old one. */
  valueOf(oldId: string): Value | undefined;
}

function sideOf(old: Axis, made: Axis, parts: SplitSpec['parts'], nth: 0 | 1): Side {
  const byLabel = new Map(made.values.map((value) => [foldLabel(value.label), value]));
  const target = new Map(old.values.map(({ id }) => [id, byLabel.get(foldLabel(parts[id]![nth]))!.id]));
  const axis: Axis = {
    ...made,
    values: made.values.map((value) =>
      withAgreed(
        value,
        old.values.filter(({ id }) => target.get(id) === value.id),
        made.role,
      ),
    ),
  };
  const now = familyValues(axis);
  return { axis, valueOf: (id) => now.get(target.get(id) ?? '') };
}

/** The values without what their first part has taken: it stands in one place only. */
const withoutPlaced = (old: Axis, side: Side): Axis => ({
  ...old,
  values: old.values.map((value) => {
    const part = side.valueOf(value.id)!;
    const left = (scope: Scope) =>
      Object.fromEntries(Object.entries(figuresIn(value, scope)).filter(([key]) => !(key in figuresIn(part, scope))));
    return {
      ...value,
      fields: left(EVERYWHERE) as Value['fields'],
      scoped: Object.fromEntries(
        Object.keys(value.scoped ?? {}).map((scope) => [scope, left(scope as Scope)]),
      ) as Value['scoped'],
      pictures: part.pictures.length > 0 ? [] : value.pictures,
    };
  }),
});

const familyValues = (axis: Axis): Map<string, Value> => new Map(axis.values.map((value) => [value.id, value]));

/** A part with what all values that have it agree on. A part of one value alone takes nothing from it: the other part may be the one it is about. */
function withAgreed(part: Value, values: readonly Value[], role: Role): Value {
  const [first, ...others] = values;
  if (!first || others.length === 0) return withSwatch(part, first, role);
  const agrees = (read: (value: Value) => unknown) =>
    others.every((value) => JSON.stringify(read(value)) === JSON.stringify(read(first)));
  const figures = (scope: Scope) =>
    Object.fromEntries(
      Object.entries(figuresIn(first, scope)).filter(
        ([key]) => key !== 'label' && agrees((value) => figuresIn(value, scope)[key]),
      ),
    ) as Record<string, Figure>;
  const scoped = Object.keys(first.scoped ?? {}).map((scope) => [scope, figures(scope as Scope)] as const);
  const kept = scoped.filter(([, held]) => Object.keys(held).length > 0);
  return {
    ...withSwatch(part, agrees((value) => value.swatch) ? first : undefined, role),
    fields: figures(EVERYWHERE),
    pictures: agrees((value) => value.pictures) ? first.pictures : [],
    ...(kept.length > 0 ? { scoped: Object.fromEntries(kept) } : {}),
  };
}

const withSwatch = (part: Value, from: Value | undefined, role: Role): Value =>
  role === 'colour' && from?.swatch ? { ...part, swatch: from.swatch } : part;
