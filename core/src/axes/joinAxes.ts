/** Axes made one: Colour and Lining become "Rust / Fleece". Values are those that children have; what stood on the old ones stands on theirs. */
import { ownOf } from '../text/own';
import { draftOf, replaceChild } from '../family/draft';
import { figuresIn, EVERYWHERE, type Scope } from '../family/scope';
import { takeId } from '../family/takeId';
import { allCrossings, axisOf, crossingWithout, familyIndex } from '../family/weave';
import {
  MOST,
  type Axis,
  type Child,
  type Family,
  type Figures,
  type Role,
  type Value,
  type Wish,
} from '../family/shape';
import { dressValues } from '../registry/dictionary';
import type { Registry } from '../registry/openRegistry';
import { Refusal } from '../refusal/refusal';
import { wishesWithout } from '../family/wishes';
import { checkedName, wishWithout } from './axes';
import { checkedLabel } from './values';

export interface JoinSpec {
  /** In whatever order; their values are named in that of the family. */
  axisIds: readonly string[];
  label: string;
  role: Role;
  /** Between the labels of a value: " / ". */
  between: string;
}

/** Joins axes. The joined one stands where the first of them stood, and is it to wishes. Crossings that nobody is in or holds anything at go. */
export function joinAxes(registry: Registry, family: Family, spec: JoinSpec): void {
  const wanted = new Set(spec.axisIds);
  for (const id of wanted) axisOf(family, id);
  const parts = family.axes.filter((axis) => wanted.has(axis.id));
  const [first, ...others] = parts;
  if (!first || others.length === 0) throw new Refusal('axis.one', {});
  const before = Object.freeze(draftOf(family));
  family.axes = before.axes.filter((axis) => !others.includes(axis));
  const label = checkedName(family, spec.label, first.id);
  const { axis, valueOf } = joinedAxis(registry, before, family, parts, { ...spec, label });
  family.axes = family.axes.map((one) => (one === first ? axis : one));
  const moved = (child: Child): Child | null => {
    const value = valueOf(child);
    if (!value) return null;
    const at = crossingWithout(child.at, wanted);
    at[first.id] = value.id;
    return { ...child, at };
  };
  for (const child of Object.values(before.children)) {
    const now = moved(child);
    if (now) replaceChild(family, now);
    else delete family.children[child.id];
  }
  for (const [id, { child, was }] of Object.entries(before.shelf)) {
    const now = moved(child) ?? { ...child, at: crossingWithout(child.at, wanted) };
    const told = parts.map((part) => ownOf(was, part.label));
    const rest = Object.fromEntries(Object.entries(was).filter(([one]) => !parts.some((part) => part.label === one)));
    family.shelf[id] = {
      child: now,
      was: told.includes(undefined) ? was : { ...rest, [label]: told.join(spec.between) },
    };
  }
  family.wishes = wishesWithout(family.wishes, (id) => before.children[id] !== undefined && !family.children[id]);
  family.wishes = Object.fromEntries(
    Object.entries(family.wishes).map(([account, wish]) => [account, wishJoined(wish, first.id, others)]),
  );
}

interface Joined {
  axis: Axis;
  /** The value a child has on it; undefined where it has none. */
  valueOf(child: Child): Value | undefined;
}

function joinedAxis(
  registry: Registry,
  before: Family,
  family: Family,
  parts: readonly Axis[],
  spec: JoinSpec,
): Joined {
  const { valueById, rank } = familyIndex(before);
  const keyOf = ({ at }: Pick<Child, 'at'>) => parts.map((part) => at[part.id] ?? '').join('|');
  const found = new Map<string, Value[]>();
  const hold = (child: Pick<Child, 'at'>) => {
    const values = parts.map((part) => valueById.get(child.at[part.id] ?? ''));
    if (!values.includes(undefined)) found.set(keyOf(child), values as Value[]);
  };
  Object.values(before.children).forEach((child) => (child.woven || isHolding(child)) && hold(child));
  const crossings = parts.reduce((product, { values }) => product * values.length, 1);
  // An axis has values though nobody is woven just now: all that there may be.
  if (found.size === 0 && crossings <= MOST.values) allCrossings(parts).forEach((at) => hold({ at }));
  if ((found.size || crossings) > MOST.values)
    throw new Refusal('value.too-many', { label: spec.label, most: MOST.values });
  const inOrder = [...found].toSorted(([, a], [, b]) => {
    const at = a.findIndex((value, nth) => value !== b[nth]);
    return at < 0 ? 0 : rank.get(a[at]!.id)! - rank.get(b[at]!.id)!;
  });
  const labels: { label: string }[] = [];
  for (const [, values] of inOrder)
    labels.push({ label: checkedLabel(values.map(({ label }) => label).join(spec.between), labels) });
  const dressed = dressValues(registry, spec.role, labels, []);
  const made = new Map(
    inOrder.map(([key, values], at) => [
      key,
      { id: takeId(family, 'v'), ...dressed[at]!, ...together(values, spec.between) },
    ]),
  );
  return {
    axis: { id: parts[0]!.id, role: spec.role, label: spec.label, values: [...made.values()] },
    valueOf: (child) => made.get(keyOf(child)),
  };
}

const isHolding = ({ fields, scoped, pictures }: Child): boolean =>
  Object.keys(fields).length > 0 || Object.keys(scoped ?? {}).length > 0 || pictures.length > 0;

/** What stood on the values stands on theirs: of one field that of the later axis holds, as it did between them. */
function together(values: readonly Value[], between: string): Pick<Value, 'fields' | 'scoped' | 'pictures' | 'swatch'> {
  const scopes = [...new Set(values.flatMap(({ scoped }) => Object.keys(scoped ?? {})))] as Scope[];
  const inScope = (scope: Scope): Figures => Object.assign({}, ...values.map((value) => figuresIn(value, scope)));
  const scoped = scopes.map((scope) => {
    const figures = inScope(scope);
    if (figures.label === undefined) return [scope, figures] as const;
    return [
      scope,
      { ...figures, label: values.map((value) => figuresIn(value, scope).label ?? value.label).join(between) },
    ] as const;
  });
  const swatch = values.find((value) => value.swatch !== undefined)?.swatch;
  const pictures = [...new Set(values.flatMap((value) => value.pictures))];
  return {
    fields: inScope(EVERYWHERE),
    pictures: pictures.length > MOST.pictures ? [] : pictures,
    ...(scoped.length > 0 ? { scoped: Object.fromEntries(scoped) } : {}),
    ...(swatch ? { swatch } : {}),
  };
}

/** The joined axis is what the first of them was to a wish, or any of the others. */
function wishJoined(wish: Wish, first: string, others: readonly Axis[]): Wish {
  const named = (ids: readonly string[]) => others.some(({ id }) => ids.includes(id));
  const more = (ids: readonly string[]) => (named(ids) && !ids.includes(first) ? [...ids, first] : [...ids]);
  const whole = { ...wish, apart: more(wish.apart), whole: more(wish.whole) };
  const pictured = others.some(({ id }) => id === wish.pictureAxis) ? { ...whole, pictureAxis: first } : whole;
  return others.reduce((now, { id }) => wishWithout(now, id), pictured);
}
