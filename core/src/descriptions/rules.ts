/** A channel's rules as plain sentences, a section each. */
import { decimalsOf } from '../money/currency';
import { showAmount } from '../money/amount';
import { ROLE_LABELS } from '../registry/roles';
import type { FieldRule, RoleRules, Rules } from '../rulebook/shape';
import type { Role } from '../family/shape';
import { countryName } from '../text/countryName';
import { capital, children, count, listed } from '../text/counts';

export interface RuleSection {
  title: string;
  sentences: string[];
}

/** What the rules of a channel, or of one of its categories, say; sections without anything to say are left out. */
export function ruleSections(rules: Rules): RuleSection[] {
  const sections: RuleSection[] = [
    { title: 'Axes', sentences: axisSentences(rules) },
    { title: 'Own lists', sentences: listSentences(rules) },
    { title: 'Identifiers', sentences: identifierSentences(rules) },
    { title: 'Pictures', sentences: pictureSentences(rules) },
    { title: 'Prices', sentences: priceSentences(rules) },
    { title: 'Stock', sentences: stockSentences(rules) },
    { title: 'Fees', sentences: feeSentences(rules) },
    { title: 'Words', sentences: wordingSentences(rules) },
    { title: 'Fields', sentences: rules.fields.map(fieldSentence) },
    {
      title: 'Setting up',
      sentences: [
        ...rules.settings.map(({ label, help, kind }) =>
          [`${label} has to be ${kind === 'money' ? 'given' : 'chosen'}.`, help].filter(Boolean).join(' '),
        ),
        ...(rules.approval.needed
          ? [['The channel has to let the seller in first.', rules.approval.about].filter(Boolean).join(' ')]
          : []),
      ],
    },
  ];
  return sections.filter((section) => section.sentences.length > 0);
}

const number = (figure: number): string => figure.toLocaleString('en');
const roleLabel = (role: Role): string => ROLE_LABELS[role].toLowerCase();

function axisSentences({ axes, children: { atMost } }: Rules): string[] {
  const sets = axes.sets?.map((set) => listed(set.map(roleLabel)));
  return [
    axes.atMost === 0 ? 'A listing has no options.' : `A listing has ${count(axes.atMost, 'axis', 'axes')} at most.`,
    ...(sets
      ? [`Only these together: ${sets.join('; ')}.`]
      : axes.atMost > 0
        ? ['Any axes, named by the seller.']
        : []),
    `An axis has ${count(axes.valuesAtMost, 'value')} at most, a listing ${children(atMost)}.`,
    `Labels have ${axes.labelAtMost} characters at most${axes.labelForbids ? `, without ${[...axes.labelForbids].map((mark) => `“${mark}”`).join(' ')}` : ''}.`,
    ...(axes.alwaysSplit.length > 0
      ? [`Each ${listed(axes.alwaysSplit.map(roleLabel))} has a listing of its own.`]
      : []),
    ...(axes.order.length > 0 ? [`The axes stand in this order: ${axes.order.map(roleLabel).join(', ')}.`] : []),
    ...Object.entries(axes.roles).flatMap(([role, rule]) => roleSentences(role as Role, rule)),
  ];
}

function roleSentences(role: Role, rule: RoleRules | undefined): string[] {
  const limits = [
    ...(rule?.labelAtMost === undefined ? [] : [`labels of ${rule.labelAtMost} characters`]),
    ...(rule?.valuesAtMost === undefined ? [] : [count(rule.valuesAtMost, 'value')]),
  ];
  return limits.length > 0 ? [`For ${roleLabel(role)}: ${listed(limits)} at most.`] : [];
}

function listSentences({ axes }: Rules): string[] {
  return Object.entries(axes.roles).flatMap(([role, rule]) => {
    if (!rule?.list) return [];
    const values = rule.list.map((entry) => entry.label).join(', ');
    const seen =
      rule.shows === 'list' ? 'which the buyer reads' : 'beside the seller’s own label, which the buyer reads';
    return [`Every ${roleLabel(role as Role)} is one of the channel’s own, ${seen}: ${values}.`];
  });
}

function identifierSentences({ identifiers }: Rules): string[] {
  const gtin = {
    required: 'Every child has a GTIN.',
    exemptible: 'Every child has a GTIN, unless the brand is exempt.',
    optional: 'GTINs are not asked for.',
  }[identifiers.gtin];
  const entries = {
    none: [],
    may: ['A child whose number the channel has an entry for can be offered under it; its facts are fixed there.'],
    must: ['A child whose number the channel has an entry for is offered under it alone; its facts are fixed there.'],
  }[identifiers.entries];
  return [gtin, `SKUs have ${identifiers.skuAtMost} characters at most.`, ...entries];
}

function pictureSentences({ pictures, axes }: Rules): string[] {
  const tied = {
    child: 'each child',
    axis: 'the values of one axis',
    firstAxis: 'the values of the first axis',
    listing: 'the listing alone',
  }[axes.pictures];
  return [
    `${pictures.atLeast} to ${count(pictures.atMost, 'picture')}, tied to ${tied}.`,
    ...(pictures.perValue > 0
      ? [`${capital(count(pictures.perValue, 'more picture'))} for each value that pictures are tied to.`]
      : []),
    ...(pictures.leastPixels > 0 ? [`The shorter side has ${number(pictures.leastPixels)} pixels at least.`] : []),
    ...(pictures.texts ? ['A text is taken for each picture, read out to who cannot see it.'] : []),
    ...(pictures.allWhite
      ? ['Every picture stands on white.']
      : pictures.whiteMain
        ? ['The main picture stands on white.']
        : []),
  ];
}

function priceSentences({ price }: Rules): string[] {
  const show = (amount: string) => showAmount(amount, price.currency);
  return [
    `Prices are in ${price.currency} ${price.taxIncluded ? 'with' : 'without'} tax${price.country ? ` of ${countryName(price.country)}` : ''}, ${decimalsOf(price.currency) === 0 ? 'without decimals' : `with ${count(decimalsOf(price.currency), 'decimal')}`}.`,
    ...(price.multipleOf ? [`They are rounded to multiples of ${show(price.multipleOf)}.`] : []),
    ...(price.endings ? [`They end in ${price.endings.join(' or ')}.`] : []),
    ...taxSentences(price),
    ...(price.variesBy === 'axis'
      ? ['They differ by the values of one axis only.']
      : price.variesBy === 'listing'
        ? ['A listing has one price.']
        : []),
    ...(price.least ? [`None is below ${show(price.least)}.`] : []),
    ...(price.most ? [`None is above ${show(price.most)}.`] : []),
    ...(price.listAbovePrice ? ['The list price is above the price.'] : []),
    ...(price.spreadAtMost
      ? [`The dearest child of a listing costs at most ${price.spreadAtMost} times the cheapest.`]
      : []),
  ];
}

function stockSentences({ stock }: Rules): string[] {
  return [
    `From ${number(stock.least)} to ${number(stock.most)} pieces a child.`,
    ...(stock.variesBy === 'axis'
      ? ['Pieces are counted by the values of one axis.']
      : stock.variesBy === 'listing'
        ? ['A listing has one count of pieces.']
        : []),
  ];
}

function taxSentences({ taxSlabs = [], currency }: Rules['price']): string[] {
  if (taxSlabs.length === 0) return [];
  const rates = taxSlabs.map(({ upTo, percent }) =>
    upTo === undefined ? `${percent} % above` : `${percent} % up to ${showAmount(upTo, currency)}`,
  );
  return [`The tax goes by the price: ${listed(rates)}.`];
}

function feeSentences({ fees, price }: Rules): string[] {
  const show = (amount: string) => showAmount(amount, price.currency);
  const each = [
    ...(Number(fees.perListing) > 0 ? [`${show(fees.perListing)} for a listing`] : []),
    ...(Number(fees.perChild) > 0 ? [`${show(fees.perChild)} for each child of it`] : []),
    ...(Number(fees.perValue) > 0 ? [`${show(fees.perValue)} for each option shown`] : []),
  ];
  const commission = Number(fees.commissionPercent) > 0 ? [`${fees.commissionPercent} % of each sale.`] : [];
  return [each.length > 0 ? `${capital(listed(each))}.` : 'Nothing for a listing.', ...commission];
}

function wordingSentences({ wording }: Rules): string[] {
  return [
    ...(wording.optionValuesInName ? [] : ['The name holds no option values.']),
    ...(wording.links ? [] : ['Texts hold no links.']),
  ];
}

/** Limits of a field in words, each where it is set. */
const LIMITS: readonly ((rule: FieldRule) => string | false | undefined)[] = [
  ({ atLeast }) => atLeast !== undefined && `at least ${atLeast}`,
  ({ atMost }) => atMost !== undefined && `at most ${atMost}`,
  ({ entryAtMost }) => entryAtMost !== undefined && `entries of ${entryAtMost} characters`,
  ({ unit, decimals }) => unit && `in ${unit}${decimals > 0 ? ` with ${count(decimals, 'decimal')}` : ''}`,
  ({ yesNo }) => yesNo && 'yes or no',
  ({ markup }) => markup && 'with paragraphs, lists and stressed words',
  ({ numberOnly }) => numberOnly && 'a number alone',
  ({ least }) => least !== undefined && `${least} at least`,
  ({ most }) => most !== undefined && `${most} at most`,
  ({ choices }) => choices && `one of ${choices.join(', ')}`,
  ({ pattern, patternText }) => pattern && (patternText ?? `written as ${pattern}`),
];

/** What may stand in a field, as a sentence. */
export function fieldSentence(rule: FieldRule): string {
  const need = { required: 'is required', recommended: 'is recommended', optional: 'may be given' }[rule.need];
  const limits = LIMITS.flatMap((limit) => limit(rule) || []);
  const who = rule.level === 'child' ? ' for each child' : '';
  const whose = rule.ofOffer ? ', and stays the seller’s under an entry of the channel' : '';
  return `${rule.name} ${need}${who}${limits.length > 0 ? `: ${limits.join(', ')}` : ''}${whose}.`;
}
