/** The fit of a family to a channel: plan, findings, listings and the state of every child. */
import { familyIndex } from '../family/weave';
import { rulesFor } from '../rulebook/readRulebook';
import { pairingLookup } from '../catalogue/pairings';
import { bestPlans, planNamed, planTask } from './planner';
import { pricer, projectListings, type ProjectionContext } from './project';
import { identifierFindings, priceFindings, stockFindings } from './findings/children';
import { pictureFindings } from './findings/pictures';
import { pairingFindings, planFindings, settingFindings } from './findings/structure';
import { fieldFindings, oddFigures, wordingFindings } from './findings/wording';
import type { CheckContext, Finding, Fit, FitInput, FitState, Severity } from './context';

const CHECKS = [
  planFindings,
  settingFindings,
  pairingFindings,
  identifierFindings,
  priceFindings,
  stockFindings,
  pictureFindings,
  fieldFindings,
  wordingFindings,
  oddFigures,
];

const WEIGHT = { stops: 0, warns: 1, advises: 2 };

/** As many plans are found to choose from, unless fewer are wanted. */
const PLANS = 6;

/**
 * Computes how a family goes onto a channel. Pure and quick enough to run at every keystroke.
 * A channel without a category for such goods, or one the seller does not offer the family on, gives the state
 * `absent`.
 */
export function computeFit(input: FitInput): Fit {
  const { family, rulebook } = input;
  const { woven } = familyIndex(family);
  const wish = family.wishes[rulebook.channel];
  const category = rulesFor(rulebook, String(family.fields.category ?? ''));
  if (!category || wish?.offered === false || family.retired) {
    return {
      channel: rulebook.channel,
      state: 'absent',
      category,
      plans: [],
      plan: null,
      listings: [],
      fees: '0',
      findings: category
        ? []
        : [
            {
              code: 'category.none',
              severity: 'advises',
              place: { level: 'family' },
              key: 'category',
              rule: 'categories',
              text: family.fields.category
                ? `${rulebook.name} has no category for these goods.`
                : `Choose a category: it decides where on ${rulebook.name} the family goes.`,
            },
          ],
      childStates: Object.fromEntries(woven.map((child) => [child.id, 'absent' as const])),
    };
  }
  const task = planTask(family, category.rules, wish, [...input.live], input.settings.objective);
  const plans = bestPlans(task, input.plansWanted ?? PLANS);
  const chosen = wish?.chosen
    ? (plans.find((plan) => plan.signature === wish.chosen) ?? planNamed(task, wish.chosen))
    : null;
  const plan = chosen ?? plans[0] ?? null;
  const offeredIds = new Set(task.children.map((child) => child.id));
  const bare: ProjectionContext = {
    ...input,
    category,
    offered: woven.filter((child) => offeredIds.has(child.id)),
    pairingOf: pairingLookup(rulebook.channel, input.pairings, category.rules.axes.roles),
    priceOf: pricer({ ...input, category }),
  };
  const context: CheckContext = { ...bare, plan, listings: plan ? projectListings(bare, plan) : [] };
  // Where no child is offered that is all there is to say.
  const checks = context.offered.length > 0 ? CHECKS : [planFindings];
  const findings = checks.flatMap((check) => check(context)).sort((a, b) => WEIGHT[a.severity] - WEIGHT[b.severity]);
  return {
    channel: rulebook.channel,
    category,
    plans,
    plan,
    findings,
    state: stateOf(findings),
    listings: context.listings,
    childStates: childStates(context, findings),
    fees: plan?.bill.fees ?? '0',
  };
}

function stateOf(findings: readonly Finding[]): FitState {
  if (findings.some((finding) => finding.severity === 'stops')) return 'stopped';
  return findings.some((finding) => finding.severity === 'warns') ? 'needs' : 'fits';
}

const SEVERITIES = ['stops', 'warns', 'advises'] as const;
const STATE_OF: Record<Severity, FitState> = { stops: 'stopped', warns: 'needs', advises: 'fits' };

/**
 * A child's state comes from the findings on it and on its values. What stops the whole family is said of the family.
 */
function childStates(context: CheckContext, findings: readonly Finding[]): Record<string, FitState> {
  /** Child or value id → place in SEVERITIES of the worst finding there. */
  const worst = new Map<string, number>();
  for (const { place, severity } of findings) {
    if (place.level === 'family') continue;
    const id = place.level === 'child' ? place.childId : place.valueId;
    worst.set(id, Math.min(worst.get(id) ?? SEVERITIES.length, SEVERITIES.indexOf(severity)));
  }
  const states: Record<string, FitState> = {};
  for (const child of familyIndex(context.family).woven) states[child.id] = 'absent';
  for (const child of context.offered) {
    let least = worst.get(child.id) ?? SEVERITIES.length;
    for (const axisId in child.at) least = Math.min(least, worst.get(child.at[axisId]!) ?? SEVERITIES.length);
    states[child.id] = STATE_OF[SEVERITIES[least] ?? 'advises'];
  }
  return states;
}

/** Findings of the same code, which one remedy can mend together. */
export function alike(findings: readonly Finding[], one: Finding): Finding[] {
  return findings.filter((finding) => finding.code === one.code && finding.remedy?.kind === one.remedy?.kind);
}
