/** Why a plan is as it is: the rules that left no simpler one, and what the next best would cost. */
import type { Plan } from '../fit/planner';
import type { Axis, Family, Role } from '../family/shape';
import { ROLE_LABELS } from '../registry/roles';
import type { Rules } from '../rulebook/shape';
import { children, count, listed } from '../text/counts';
import { planDifference, planText } from './plans';

export interface PlanReasonsOf {
  family: Family;
  plan: Plan;
  /** The best plans, best first. */
  plans: readonly Plan[];
  rules: Rules;
  /** What the category is called there. */
  category: string;
  account: string;
}

/** Sentences, the rule that weighs most first. */
export function planReasons(about: PlanReasonsOf): string[] {
  return [...ruleReasons(about), ...nextBest(about)];
}

const labelsOf = (axes: readonly Axis[]) => listed(axes.map((axis) => axis.label));
const roleLabel = (role: Role) => ROLE_LABELS[role].toLowerCase();

function ruleReasons({ family, plan, rules, category, account }: PlanReasonsOf): string[] {
  const { axes: rule } = rules;
  const axisOf = (id: string) => family.axes.find((axis) => axis.id === id)!;
  const pinned = plan.pinned.map(axisOf);
  const split = plan.split.map(axisOf);
  const told = family.axes.length - pinned.length;
  const always = split.filter((axis) => rule.alwaysSplit.includes(axis.role));
  const joined = plan.axes.filter((axis) => axis.from.length > 1);
  const sets = rule.sets?.map((set) => listed(set.map(roleLabel))) ?? [];
  const lists = plan.axes.filter((axis) => rule.roles[axis.role]?.shows === 'list');
  const isTight = told - always.length > rule.atMost;
  const parts = plan.listings.filter((listing) => listing.part !== null).length;
  return [
    ...(pinned.length > 0
      ? [`${labelsOf(pinned)} ${pinned.length === 1 ? 'has' : 'have'} a single value: no buyer has to choose it.`]
      : []),
    ...(always.length > 0
      ? [`${account} has a listing for each ${listed(always.map((axis) => roleLabel(axis.role)))}.`]
      : []),
    ...(isTight ? [`${account} shows ${count(rule.atMost, 'option')} at most; the family has ${told}.`] : []),
    ...(sets.length > 0 && (joined.length > 0 || split.length > always.length)
      ? [`For ${category} it takes only these together: ${sets.join('; ')}.`]
      : []),
    ...(lists.length > 0 && split.length > always.length
      ? [
          `${listed(lists.map((axis) => axis.name))} comes from ${account}’s own list, so that nothing can be joined to it.`,
        ]
      : []),
    ...(parts > 0
      ? [
          `A listing takes ${children(rules.children.atMost)} and ${rule.valuesAtMost.toLocaleString('en')} values of an option at most: it is cut.`,
        ]
      : []),
    ...(told === plan.axes.length && parts === 0 && split.length === 0
      ? ['Every axis is an option of its own: nothing has to give.']
      : []),
  ];
}

/** What is said against the plan that comes next. */
function nextBest({ family, plan, plans, rules }: PlanReasonsOf): string[] {
  const [best, next] = plans;
  if (!best || !next || plan.signature !== best.signature) return [];
  const more = planDifference(next, best, rules.price.currency);
  const text = planText(family, next);
  return [more ? `The next best (${text}) would cost ${more}.` : `${text} would do as well.`];
}
