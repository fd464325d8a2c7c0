/** Findings about the plan: that there is one, what it leaves out, shortens and hides. */
import { figureIn, languageScope } from '../../family/scope';
import { familyIndex } from '../../family/weave';
import type { Role } from '../../family/shape';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import type { Plan } from '../planner';
import { ROLE_LABELS } from '../../registry/roles';
import { listed } from '../../text/counts';
import { noPlan, wishOf } from './noPlan';
import { makeFinding } from './report';

/** No child is offered: none is for sale, or all are left out by wish, which can be taken back. */
export function nothingOffered(context: CheckContext, leftOut: readonly string[]): Finding {
  const { id: account } = context.account;
  const again = { do: 'setWish' as const, account, wish: { ...wishOf(context), leaveOut: [] } };
  return makeFinding(context, {
    code: 'plan.nothing-offered',
    params: { leftOut: leftOut.length },
    severity: 'stops',
    key: leftOut.length > 0 ? 'plan' : 'onSale',
    rule: 'children',
    remedies:
      leftOut.length > 0
        ? [{ kind: 'change', label: { do: 'offerAgain', children: leftOut.length }, commands: [again] }]
        : [{ kind: 'figure', key: 'onSale', places: [{ level: 'family' }] }],
  });
}

export function planFindings(context: CheckContext): Finding[] {
  const { plan } = context;
  if (!plan) return [noPlan(context)];
  return [
    ...chosenGone(context, plan),
    ...wishBroken(context, plan),
    ...searchStopped(context, plan),
    ...notTaken(context, plan),
    ...shortened(context, plan),
    ...untranslated(context, plan),
    ...picturesLost(context, plan),
  ];
}

/** Axes wished whole that are cut all the same. */
function wishBroken(context: CheckContext, plan: Plan): Finding[] {
  if (plan.broken.length === 0) return [];
  const wish = wishOf(context);
  const broken = context.family.axes.filter((axis) => plan.broken.includes(axis.id)).map((axis) => axis.label);
  const whole = wish.whole.filter((id) => !plan.broken.includes(id));
  const lifted = { do: 'setWish' as const, account: context.account.id, wish: { ...wish, whole } };
  return [
    makeFinding(context, {
      code: 'plan.wish-broken',
      params: { axes: listed(broken), most: context.category.rules.children.atMost },
      severity: 'warns',
      key: 'plan',
      rule: 'children',
      remedies: [{ kind: 'change', label: { do: 'liftWishes' }, commands: [lifted] }],
    }),
  ];
}

function searchStopped(context: CheckContext, plan: Plan): Finding[] {
  if (plan.surplus === 0) return [];
  return [
    makeFinding(context, {
      code: 'plan.search-stopped',
      params: { listings: plan.cost.listings, fewer: plan.surplus },
      severity: 'advises',
      key: 'plan',
      rule: 'axes',
    }),
  ];
}

/** Axes that are split because the category takes no option of their role. */
function notTaken(context: CheckContext, plan: Plan): Finding[] {
  const { sets, alwaysSplit } = context.category.rules.axes;
  // What the channel has a listing each for anyway surprises nobody.
  const taken = new Set((sets ?? []).flat());
  const isExpected = (role: Role) => taken.has(role) || alwaysSplit.includes(role);
  // Listings of single children nobody wants; others are good to know of.
  const single = plan.listings.length > 1 && plan.listings.every((listing) => listing.childIds.length === 1);
  return context.family.axes
    .filter((axis) => sets && plan.split.includes(axis.id) && !isExpected(axis.role))
    .map((axis) =>
      makeFinding(context, {
        code: 'axis.not-taken',
        params: {
          account: context.account.name,
          axis: axis.label,
          category: context.category.label,
          listings: plan.cost.listings,
          taken: listed([...taken].map((role) => ROLE_LABELS[role].toLowerCase())),
        },
        severity: single ? 'warns' : 'advises',
        key: 'plan',
        about: axis.id,
        rule: 'axes.sets',
      }),
    );
}

function chosenGone(context: CheckContext, plan: Plan): Finding[] {
  const wish = wishOf(context);
  if (!context.isChosenGone) return [];
  const keep = { do: 'setWish' as const, account: context.account.id, wish: { ...wish, chosen: plan.signature } };
  return [
    makeFinding(context, {
      code: 'plan.chosen-gone',
      params: {},
      severity: 'warns',
      key: 'plan',
      rule: 'axes',
      remedies: [{ kind: 'change', label: { do: 'keepBestPlan' }, commands: [keep] }],
    }),
  ];
}

function shortened(context: CheckContext, plan: Plan): Finding[] {
  const { valueById } = familyIndex(context.family);
  return plan.axes
    .filter((axis) => axis.shortened)
    .map((axis) => {
      const full = (valueIds: readonly string[]) => valueIds.map((id) => valueById.get(id)?.label ?? '').join(' / ');
      const example = axis.options.find((option) => option.label !== full(option.valueIds)) ?? axis.options[0]!;
      return makeFinding(context, {
        code: 'label.shortened',
        params: { axis: axis.name, full: full(example.valueIds), short: example.label },
        severity: 'advises',
        key: 'plan',
        about: axis.from.join('+'),
        rule: 'axes.labelAtMost',
      });
    });
}

/** Labels the buyer reads that are not written in the account's language. */
function untranslated(context: CheckContext, plan: Plan): Finding[] {
  const { account, family, rulebook } = context;
  if (account.language === rulebook.registry.firstLanguage) return [];
  const shown = new Set(plan.axes.flatMap((axis) => axis.from));
  return family.axes
    .filter((axis) => shown.has(axis.id))
    .flatMap((axis) => {
      // Numbers and sizes of letters are the same in every language.
      const words = axis.values.filter((value) => /\p{L}{4,}/u.test(value.label));
      const missing = words.filter((value) =>
        context.scopes.every((scope) => figureIn(value, scope, 'label') === undefined),
      );
      if (missing.length === 0) return [];
      return makeFinding(context, {
        code: 'label.language',
        params: {
          account: account.name,
          axis: axis.label,
          labels: missing
            .map((value) => value.label)
            .slice(0, 4)
            .join(', '),
          language: account.language,
        },
        severity: 'warns',
        key: 'label',
        scope: languageScope(account.language),
        place: { level: 'value', axisId: axis.id, valueId: missing[0]!.id },
        about: axis.id,
        rule: 'axes.roles',
      });
    });
}

function picturesLost(context: CheckContext, plan: Plan): Finding[] {
  if (plan.cost.picturesLost === 0) return [];
  const axis = plan.pictureAxis === null ? null : plan.axes[plan.pictureAxis]!.name;
  return [
    makeFinding(context, {
      code: 'plan.pictures-lost',
      params: { pictures: plan.cost.picturesLost, axis },
      severity: 'warns',
      key: 'plan',
      rule: 'axes.pictures',
    }),
  ];
}
