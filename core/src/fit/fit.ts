/** The fit of a family to an account: plan, findings and the state of every child. */
import { sortedOf } from '../catalogue/conditions';
import { destinationOf, type Destination } from '../catalogue/routes';
import { EVERYWHERE, scopesOf } from '../family/scope';
import { familyIndex } from '../family/weave';
import { identifierOwners, identityOf } from '../identifiers/sameness';
import type { CategoryRules } from '../rulebook/openRulebook';
import { accountPrices, type AccountPrices } from './accountPrices';
import { checkContext } from './checkContext';
import type { CheckContext, Fit, FitInput, FitState } from './context';
import { SEVERITIES, type Finding, type Severity } from './finding';
import { checkAll } from './findings';
import { whyAbsent } from './findings/absent';
import { bestPlans, leaveOutOffers, planNamed, planTask, type LeaveOutOffer, type PlanTask } from './planner';
import { plannerKey } from './project/listingKey';

/** As many plans are found to choose from, unless fewer are wanted. */
const PLANS = 6;

/**
 * Computes how a family goes onto an account. Pure and quick enough to run at every keystroke. A channel without a
 * category for such goods, or an account the family is not offered on, gives the state `absent`.
 */
export function computeFit(input: FitInput): Fit {
  return computeWithContext(input).fit;
}

/** The fit, and the context it was found in: null where the family is not offered. */
export function computeWithContext(input: FitInput): { fit: Fit; context: CheckContext | null } {
  const { family, account, rulebook } = input;
  const destination = destinationFor(input);
  const category = rulebook.category(destination.category);
  if (!category || destination.notOffered || family.retired)
    return { fit: absentFit(input, category, destination), context: null };
  const prices = accountPrices(input, category);
  const { task, plans, plan, isChosenGone } = planFor(input, category, prices);
  const inForce = { plan, isChosenGone, prices };
  const context = checkContext(
    input,
    category,
    inForce,
    task.children.map((child) => child.id),
  );
  const findings = checkAll(context, task.leftOut);
  let states: Fit['childStates'] | undefined;
  const fit: Fit = {
    account: account.id,
    channel: account.channel,
    category,
    plans,
    plan,
    findings,
    state: stateOf(findings),
    // Lists of families never ask for it.
    get childStates() {
      return (states ??= childStates(context, findings));
    },
    fees: plan?.cost.fees ?? '0',
    entries: context.matches(),
  };
  return { fit, context };
}

/** What could be left out so that fewer listings are enough; not part of a fit, since nobody asks often. */
export function leaveOutsFor(input: FitInput): LeaveOutOffer[] {
  const category = input.rulebook.category(destinationFor(input).category);
  if (!category) return [];
  const { task, plans } = planFor(input, category, accountPrices(input, category));
  return plans[0] ? leaveOutOffers(task, plans[0]) : [];
}

/** Where the family goes on the account. */
function destinationFor({ family, account, rulebook, categories, routes = [], stock }: FitInput): Destination {
  const sorted = () => sortedOf(family, stock);
  return destinationOf({ family, accountId: account.id, sorted }, { routes, categories, registry: rulebook.registry });
}

/** The plans under a category's rules and the one in force. */
function planFor(
  input: FitInput,
  category: CategoryRules,
  prices: AccountPrices,
): { task: PlanTask; plans: Fit['plans']; plan: Fit['plan']; isChosenGone: boolean } {
  const { family, account, rulebook } = input;
  const wish = family.wishes[account.id];
  const task = planTask(family, category.rules, {
    wish,
    live: liveFor(family, input.live),
    objective: account.settings.objective,
    scopes: scopesOf(account, rulebook.registry.firstLanguage),
    prices,
    memory: input.memory,
  });
  const plans = bestPlans(task, input.plansWanted ?? PLANS);
  const chosen = wish?.chosen
    ? (plans.find((plan) => plan.signature === wish.chosen) ?? planNamed(task, wish.chosen))
    : null;
  const plan = chosen ?? plans[0] ?? null;
  return { task, plans, plan, isChosenGone: wish?.chosen !== undefined && !chosen };
}

/** Live listings as the planner knows them: by its own keys, with the children that they hold. */
function liveFor(family: FitInput['family'], live: FitInput['live']): PlanTask['live'] {
  if (live.length === 0) return [];
  const owners = identifierOwners(family);
  return live.flatMap(({ key, structure, listing }) => {
    const planned = plannerKey(family, key);
    const childIds = listing.offers.flatMap(({ sku }) => owners.get(`sku|${identityOf('sku', sku)}`)?.id ?? []);
    return planned === null ? [] : [{ key: planned, structure, childIds }];
  });
}

function absentFit(input: FitInput, category: CategoryRules | null, destination: Destination): Fit {
  const { family, account } = input;
  const { woven } = familyIndex(family);
  return {
    account: account.id,
    channel: account.channel,
    state: 'absent',
    category,
    plans: [],
    plan: null,
    fees: '0',
    entries: [],
    findings: family.retired ? [] : [...whyAbsent(input, category, destination)],
    childStates: Object.fromEntries(woven.map((child) => [child.id, 'absent' as const])),
  };
}

/** What is said where a fit cannot be worked out at all: the account stops, nothing else does. */
export function brokenFit(input: Pick<FitInput, 'family' | 'account'>, why: string): Fit {
  const { family, account } = input;
  const finding: Finding = {
    code: 'fit.broken',
    params: { account: account.name, why },
    ...{
      severity: 'stops',
      childIds: [],
      place: { level: 'family' },
      key: 'rulebook',
      scope: EVERYWHERE,
      rule: 'the rulebook',
      remedies: [],
    },
  };
  return {
    account: account.id,
    channel: account.channel,
    state: 'stopped',
    category: null,
    plans: [],
    plan: null,
    fees: '0',
    findings: [finding],
    entries: [],
    childStates: Object.fromEntries(familyIndex(family).woven.map((child) => [child.id, 'absent' as const])),
  };
}

function stateOf(findings: readonly Finding[]): FitState {
  if (findings.some((finding) => finding.severity === 'stops')) return 'stopped';
  return findings.some((finding) => finding.severity === 'warns') ? 'needs' : 'fits';
}

const STATE_OF: Record<Severity, FitState> = { stops: 'stopped', warns: 'needs', advises: 'fits' };

/** A child's state comes from the findings that concern it. What stops the whole family is said of the family. */
function childStates(context: CheckContext, findings: readonly Finding[]): Record<string, FitState> {
  /** Child id → place in SEVERITIES of the worst finding about it. */
  const worst = new Map<string, number>();
  for (const { childIds, severity } of findings) {
    const rank = SEVERITIES.indexOf(severity);
    for (const id of childIds) worst.set(id, Math.min(worst.get(id) ?? SEVERITIES.length, rank));
  }
  const states: Record<string, FitState> = {};
  for (const child of familyIndex(context.family).woven) states[child.id] = 'absent';
  for (const child of context.offered) {
    states[child.id] = STATE_OF[SEVERITIES[worst.get(child.id) ?? SEVERITIES.length] ?? 'advises'];
  }
  return states;
}
