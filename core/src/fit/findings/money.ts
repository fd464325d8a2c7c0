/** Findings about how an account's prices come about: its rate, the tax in them, its price rule. */
import type { FindingCode } from '../../words/findings';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { homeOf, makeFinding, typeHere } from './report';

export function moneyFindings(context: CheckContext): Finding[] {
  return [...rate(context), ...tax(context), ...rule(context)];
}

/** One of the seller's currency counts as one of the channel's, since nobody has said otherwise. */
function rate(context: CheckContext): Finding[] {
  const { account, seller, prices } = context;
  const { currency, isRateMissing } = prices.money;
  if (!isRateMissing) return [];
  return [
    makeFinding(context, {
      code: 'rate.missing',
      params: { account: account.name, from: seller.currency, to: currency },
      severity: 'warns',
      key: 'rate',
      rule: 'price.currency',
    }),
  ];
}

const TAX_CODES = {
  'no-code': 'tax.no-code',
  'unknown-code': 'tax.unknown-code',
  'no-rate': 'tax.no-rate',
} as const satisfies Record<string, FindingCode>;

function tax(context: CheckContext): Finding[] {
  const { account, prices, column } = context;
  const { taxProblem, country } = prices.money;
  if (taxProblem === null) return [];
  const code = String(column('taxCode').groups[0]?.figure ?? '');
  const params = { account: account.name, code, country: country! };
  // A number that is missing is typed on the family; rates are set for all families.
  const isAtFamily = taxProblem === 'no-code';
  return [
    makeFinding(context, {
      code: TAX_CODES[taxProblem],
      params,
      severity: 'warns',
      key: isAtFamily ? 'taxCode' : 'taxCodes',
      rule: 'price.tax',
      remedies: isAtFamily ? [typeHere('taxCode', { level: 'family' })] : [],
    }),
  ];
}

/** Children whose price the rule could not make: the seller's own stands instead. */
function rule(context: CheckContext): Finding[] {
  const { account, rulebook } = context;
  const unruled = (why: 'no-cost' | 'never') =>
    context.priceGroups.flatMap((group) => (group.unruled === why ? group.members : [])).toSorted((a, b) => a - b);
  const bare = unruled('no-cost');
  const beyond = unruled('never');
  const params = { account: account.name };
  const findings: Finding[] = [];
  if (bare.length > 0) {
    const place = homeOf(context, rulebook.registry.field('cost'), bare);
    findings.push(
      makeFinding(context, {
        code: 'rule.no-cost',
        params,
        severity: 'warns',
        key: 'cost',
        rule: 'price.rule',
        members: bare,
        place,
        remedies: [typeHere('cost', place)],
      }),
    );
  }
  if (beyond.length > 0)
    findings.push(
      makeFinding(context, {
        code: 'rule.never',
        params,
        severity: 'warns',
        key: 'priceRule',
        rule: 'price.rule',
        members: beyond,
      }),
    );
  return findings;
}
