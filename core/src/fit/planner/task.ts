/** The planner's task, made of a family, a category's rules and the seller's wish. */
import { columnOf } from '../../family/column';
import { EVERYWHERE, figureIn, type Scopes } from '../../family/scope';
import type { Family, Value, Wish } from '../../family/shape';
import { familyIndex, labelIn } from '../../family/weave';
import { picturesAt } from '../../pictures/picturesOf';
import type { Rules } from '../../rulebook/shape';
import { createPlannerCache, createPlannerMemory, type PlannerMemory } from './memory';
import type { PlanTask, Structure, TaskChild } from './shape';

/** What a task is made for beside the family and the rules. */
export interface TaskOptions {
  wish?: Wish | undefined;
  live?: PlanTask['live'] | undefined;
  objective?: PlanTask['objective'] | undefined;
  /** Scopes that hold for the account: labels and what is for sale may differ there. */
  scopes?: Scopes | undefined;
  /** What children cost there, by position; the seller's own prices where it is left out. */
  prices?: { at(position: number): unknown } | undefined;
  memory?: PlannerMemory | undefined;
}

/** The planner's task for a family under a category's rules. */
export function planTask(family: Family, rules: Rules, options: TaskOptions = {}): PlanTask {
  const { wish, live = [], objective = 'listings', scopes = [], memory = createPlannerMemory() } = options;
  const { axes, children, cache } = structureOf(family, scopes, memory);
  const leaveOut = new Set(wish?.leaveOut ?? []);
  const left = leaveOut.size === 0 ? [] : children.filter((child) => leaveOut.has(child.id));
  const offered = left.length === 0 ? children : children.filter((child) => !leaveOut.has(child.id));
  const offeredIds = live.length > 0 ? new Set(offered.map((child) => child.id)) : new Set<string>();
  const own = (child: TaskChild) => picturesAt(family.children[child.id]!, scopes).length;
  return {
    axes,
    children: offered,
    leftOut: left.map((child) => child.id),
    rules,
    wish: {
      apart: wish?.apart ?? [],
      whole: wish?.whole ?? [],
      ...(wish?.pictureAxis ? { pictureAxis: wish.pictureAxis } : {}),
    },
    pictures: {
      onAxis: family.axes.map((axis) => axis.values.reduce((sum, value) => sum + picturesAt(value, scopes).length, 0)),
      onAxes: onAxesTogether(family, scopes),
      onChildren: offered.reduce((sum, child) => sum + own(child), 0),
    },
    prices:
      rules.price.variesBy === 'child'
        ? null
        : pricesOf(family, offered, options.prices ?? columnOf(family, 'price', scopes)),
    // Of a live listing only what is still offered counts; without any of it, it goes whatever the plan.
    live: live.flatMap(({ childIds, ...listing }) => {
      const there = childIds.filter((id) => offeredIds.has(id));
      return there.length > 0 ? [{ ...listing, childIds: there }] : [];
    }),
    objective,
    cache: left.length === 0 ? cache : createPlannerCache(),
  };
}

/** How many pictures stand on combinations of values, per set of axes. */
function onAxesTogether(family: Family, scopes: Scopes): { axes: number[]; count: number }[] {
  return familyIndex(family).combinations.map((one) => ({
    axes: family.axes.flatMap(({ id }, axis) => (one.at[id] === undefined ? [] : [axis])),
    count: picturesAt(one, scopes).length,
  }));
}

/** The prices of children, alike ones by the same number. */
function pricesOf(family: Family, offered: readonly TaskChild[], prices: NonNullable<TaskOptions['prices']>): number[] {
  const { position } = familyIndex(family);
  const cache = new Map<string, number>();
  return offered.map(({ id }) => {
    const price = String(prices.at(position.get(id)!) ?? '');
    if (!cache.has(price)) cache.set(price, cache.size);
    return cache.get(price)!;
  });
}

/**
 * What every account is offered of a family. Families of one structure share it: a change of figures alone finds the
 * same plans.
 */
function structureOf(family: Family, scopes: Scopes, memory: PlannerMemory): Structure {
  const { keysInScope } = familyIndex(family);
  const seen = scopes.filter((scope) => SEEN.some((key) => keysInScope.get(scope)?.has(key)));
  return memory.structure(family, seen.join('|'), () => makeStructure(family, scopes));
}

/** What may differ from scope to scope in what is offered. */
const SEEN = ['label', 'shortLabel', 'onSale'];

/** What the seller calls a value where there is less room, for the narrowest scope that has it. */
function shortIn(value: Value, scopes: Scopes): string | undefined {
  const figures = [...scopes, EVERYWHERE].map((scope) => figureIn(value, scope, 'shortLabel'));
  return figures.find((figure): figure is string => typeof figure === 'string' && figure !== '');
}

function makeStructure(family: Family, scopes: Scopes): Pick<Structure, 'axes' | 'children'> {
  const { woven, rank } = familyIndex(family);
  const onSale = columnOf(family, 'onSale', scopes);
  const axes = family.axes.map((axis) => ({
    id: axis.id,
    label: axis.label,
    role: axis.role,
    values: axis.values.map((value) => ({
      id: value.id,
      label: labelIn(value, scopes),
      code: value.code,
      short: shortIn(value, scopes),
    })),
  }));
  const children: TaskChild[] = [];
  woven.forEach((child, position) => {
    if (onSale.at(position) === false) return;
    children.push({ id: child.id, at: family.axes.map((axis) => rank.get(child.at[axis.id]!)!) });
  });
  return { axes, children };
}
