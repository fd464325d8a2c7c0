/** A fit as plain data for other programs: plans, findings in words, listings. The JSON Schema in docs/formats comes from here. */
import { z } from 'zod';
import { childLabels } from '../family/weave';
import { PlaceSchema } from '../place/place';
import { ListingSchema } from '../listing/listing';
import { findingText, remedyText } from './findingText';
import { planCost, planText } from './plans';
import { computeWithContext } from '../fit/fit';
import { STATES, type FitInput } from '../fit/context';
import { SEVERITIES } from '../fit/finding';
import type { Plan } from '../fit/planner';
import { projectListings } from '../fit/project/projectListings';

const Count = z.number().int().min(0);

const PlanReportSchema = z.object({
  signature: z.string(),
  text: z.string(),
  cost: z.string(),
  axes: z.array(z.object({ name: z.string(), role: z.string(), options: z.array(z.string()) })),
  listings: z.array(z.object({ key: z.string(), children: Count })),
  bill: z.object({
    leftOut: Count,
    wishesBroken: Count,
    listings: Count,
    fees: z.string(),
    remade: Count,
    moved: Count,
    reshaped: Count,
    joins: Count,
    picturesLost: Count,
    pricesLost: Count,
    shortened: Count,
    cutThrough: Count,
    joinedOptions: Count,
    longestLabel: Count,
    axesShown: Count,
  }),
  surplus: Count.describe('Listings more than the fewest there can be, at most; 0 where the search was not stopped.'),
});

export const FitReportSchema = z.object({
  format: z.literal('loom-kin/fit'),
  version: z.literal(1),
  family: z.string(),
  channel: z.string(),
  category: z.string().nullable(),
  state: z.enum(STATES),
  plans: z.array(PlanReportSchema).describe('Best first.'),
  chosen: z.string().nullable().describe('The signature of the plan in force.'),
  findings: z.array(
    z.object({
      code: z.string(),
      severity: z.enum(SEVERITIES),
      text: z.string(),
      rule: z.string(),
      key: z.string().describe('The field at fault.'),
      place: PlaceSchema.describe('Where it stands, or should.'),
      children: z.array(z.string()).describe('The options of each child concerned.'),
      remedies: z.array(z.string()),
    }),
  ),
  listings: z.array(ListingSchema).describe('What would go out. Children without SKU or price are not in it.'),
});
export type FitReport = z.infer<typeof FitReportSchema>;

/** Computes a fit and reports it. */
export function fitReport(input: FitInput): FitReport {
  const { fit, context } = computeWithContext(input);
  const { family } = input;
  const currency = fit.category?.rules.price.currency ?? input.seller.currency;
  return {
    format: 'loom-kin/fit',
    version: 1,
    channel: fit.channel,
    state: fit.state,
    family: String(family.fields.name ?? family.id),
    category: fit.category?.id ?? null,
    plans: fit.plans.map((plan) => planReport(input, plan, currency)),
    chosen: fit.plan?.signature ?? null,
    findings: fit.findings.map((finding) => ({
      code: finding.code,
      severity: finding.severity,
      text: findingText(finding, family),
      rule: finding.rule,
      key: finding.key,
      place: finding.place,
      children: finding.childIds.map((id) => childLabels(family, family.children[id]!).join(' · ')),
      remedies: finding.remedies.map(remedyText),
    })),
    listings: context ? projectListings(context) : [],
  };
}

function planReport({ family }: FitInput, plan: Plan, currency: string): FitReport['plans'][number] {
  return {
    signature: plan.signature,
    bill: plan.cost,
    surplus: plan.surplus,
    text: planText(family, plan),
    cost: planCost(plan, currency),
    axes: plan.axes.map(({ name, role, options }) => ({ name, role, options: options.map((option) => option.label) })),
    listings: plan.listings.map(({ key, childIds }) => ({ key, children: childIds.length })),
  };
}
