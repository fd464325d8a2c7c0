/**
 * A channel's verdict read from its rulebook alone, by code of its own: what the stand-ins check with numbers of their own is checked
 * here for rules that nobody wrote a stand-in for. It knows listings and the JSON of rulebooks, nothing of the product.
 */
import type { Goods, LookAt, Offer } from '../channels/src/goods';
import { digitsAddUp } from '../channels/src/checks/common';

/** As much of a rulebook as is read here. */
export interface PlainRules {
  axes: {
    atMost: number;
    sets?: string[][] | null;
    valuesAtMost?: number;
    labelAtMost?: number;
    labelForbids?: string;
    roles?: Record<
      string,
      { name?: string; labelAtMost?: number; valuesAtMost?: number; shows?: string; list?: { label: string }[] }
    >;
    order?: string[];
    pictures?: string;
  };
  children: { atMost: number };
  identifiers: { gtin: string; skuAtMost?: number };
  pictures: {
    atLeast?: number;
    atMost: number;
    leastPixels?: number;
    perValue?: number;
    whiteMain?: boolean;
    allWhite?: boolean;
  };
  fields: PlainField[];
  wording?: { links?: boolean };
  price: {
    currency: string;
    least?: string;
    most?: string;
    listAbovePrice?: boolean;
    multipleOf?: string;
    endings?: string[];
    spreadAtMost?: string;
    variesBy?: string;
    taxSlabs?: { upTo?: string; percent: string }[];
  };
  stock?: { least?: number; most?: number; variesBy?: string };
}
export interface PlainField {
  key: string;
  name: string;
  need?: string;
  level?: string;
  atLeast?: number;
  atMost?: number;
  entryAtMost?: number;
  pattern?: string;
  choices?: string[];
  yesNo?: boolean;
  markup?: boolean;
  numberOnly?: boolean;
  least?: string;
  most?: string;
}

/** Every reason to refuse, as short words. `isExempt`: the brand goes without numbers in the category. */
export async function refusalsByRules(
  goods: Goods,
  rules: PlainRules,
  lookAt: LookAt,
  isExempt: boolean,
): Promise<string[]> {
  return [
    ...axesWrong(goods, rules),
    ...goods.offers.flatMap((offer) => offerWrong(goods, offer, rules, isExempt)),
    ...fieldsWrong(goods.fields, rules, 'listing'),
    ...pricesWrong(goods, rules),
    ...(await picturesWrong(goods, rules, lookAt)),
    ...(isTold(goods.offers, rules.stock?.variesBy, (offer) => offer.stock) ? [] : ['pieces that cannot be told']),
  ];
}

function axesWrong({ axes, offers }: Goods, { axes: rule, children }: PlainRules): string[] {
  const roles = axes.map((axis) => axis.role);
  const isSet = (set: string[]) => set.length === roles.length && set.every((role) => roles.includes(role));
  const ranks = roles.map((role) => rule.order?.indexOf(role) ?? -1).filter((rank) => rank >= 0);
  return [
    ...(offers.length === 0 ? ['no child'] : []),
    ...(axes.length > rule.atMost ? ['too many axes'] : []),
    ...(offers.length > children.atMost ? ['too many children'] : []),
    ...(rule.sets && axes.length > 0 && !rule.sets.some(isSet) ? ['roles that do not go together'] : []),
    ...(ranks.some((rank, at) => at > 0 && rank < ranks[at - 1]!) ? ['axes out of order'] : []),
    ...axes.flatMap((axis) => axisWrong(axis, rule)),
    ...(new Set(offers.map((offer) => offer.options.join('|'))).size < offers.length ? ['two children alike'] : []),
  ];
}

function axisWrong({ role, options }: Goods['axes'][number], rule: PlainRules['axes']): string[] {
  const own = rule.roles?.[role];
  const longest = own?.labelAtMost ?? rule.labelAtMost ?? 200;
  const listed = own?.list?.map((entry) => entry.label);
  const labels = options.map((option) => option.label);
  return [
    ...(options.length > (own?.valuesAtMost ?? rule.valuesAtMost ?? 1000) ? ['too many values'] : []),
    // What is shown from the list has the list's own length.
    ...(own?.shows !== 'list' && labels.some((label) => label.length > longest) ? ['a label too long'] : []),
    ...(own?.shows !== 'list' &&
    labels.some((label) => [...(rule.labelForbids ?? '')].some((mark) => label.includes(mark)))
      ? ['a sign that labels may not have']
      : []),
    ...(new Set(labels.map((label) => label.toLowerCase())).size < labels.length ? ['two labels alike'] : []),
    ...(listed &&
    options.some((option) => !listed.includes(own?.shows === 'list' ? option.label : (option.paired ?? '')))
      ? ['a value that is none of the list']
      : []),
  ];
}

function offerWrong({ fields }: Goods, offer: Offer, rules: PlainRules, isExempt: boolean): string[] {
  const { identifiers, stock } = rules;
  const hasNumber = offer.gtin !== undefined;
  const isFree = identifiers.gtin === 'exemptible' && offer.gtinExempt === true && isExempt && fields !== undefined;
  return [
    ...(offer.sku.length > (identifiers.skuAtMost ?? 40) ? ['an SKU too long'] : []),
    ...(hasNumber && !digitsAddUp(offer.gtin!) ? ['a number that is none'] : []),
    ...(!hasNumber && identifiers.gtin !== 'optional' && !isFree ? ['no number'] : []),
    ...(offer.stock < (stock?.least ?? 0) || offer.stock > (stock?.most ?? 1_000_000) ? ['pieces out of bounds'] : []),
    ...fieldsWrong(offer.fields, rules, 'child'),
  ];
}

const isNothing = (figure: unknown) =>
  figure === undefined || figure === '' || (Array.isArray(figure) && figure.length === 0);

function fieldsWrong(fields: Goods['fields'], { fields: rules, wording }: PlainRules, level: string): string[] {
  return rules
    .filter((rule) => (rule.level ?? 'listing') === level)
    .flatMap((rule): string[] => {
      const figure = fields[rule.name];
      if (isNothing(figure)) return rule.need === 'required' ? [`no ${rule.name}`] : [];
      const link = wording?.links !== true && /https?:\/\/|www\.[a-z0-9]/i.test([figure].flat().join(' '));
      return [...(link ? [`a link in ${rule.name}`] : []), ...figureWrong(figure!, rule)];
    });
}

/** Letters of a text that may have form, without its tags. */
const lettersIn = (text: string): number =>
  /^<(?:p|ul|ol|h3|h4)>/.test(text)
    ? text.replace(/<[^>]*>/g, '').replace(/&(?:lt|gt|amp);/g, '&').length
    : text.length;

function figureWrong(figure: Goods['fields'][string], rule: PlainField): string[] {
  const { atLeast = 0, atMost = Infinity, entryAtMost = Infinity, choices, least, most } = rule;
  const wrong = (is: boolean, what: string) => (is ? [`${rule.name}: ${what}`] : []);
  if (rule.yesNo) return wrong(typeof figure !== 'boolean', 'neither yes nor no');
  const said = [figure].flat();
  const outOfList = choices !== undefined && said.some((one) => typeof one === 'string' && !choices.includes(one));
  if (outOfList) return wrong(true, 'not in the list');
  if (typeof figure === 'number')
    return [
      ...wrong(figure === 0 && least === undefined, 'nothing at all'),
      ...wrong(least !== undefined && figure < Number(least), 'too little'),
      ...wrong(most !== undefined && figure > Number(most), 'too much'),
    ];
  if (typeof figure === 'boolean') return [];
  if (rule.numberOnly && typeof figure === 'string') return wrong(!/^-?\d+(\.\d+)?$/.test(figure), 'no number');
  const length = rule.markup && typeof figure === 'string' ? lettersIn(figure) : figure.length;
  return [
    ...wrong(length < atLeast, 'too short'),
    ...wrong(length > atMost, 'too long'),
    ...wrong(Array.isArray(figure) && figure.some((one) => one.length > entryAtMost), 'an entry too long'),
    ...wrong(
      rule.pattern !== undefined && typeof figure === 'string' && !new RegExp(`^(?:${rule.pattern})$`).test(figure),
      'another form',
    ),
  ];
}

function pricesWrong({ offers, currency }: Goods, { price: rule }: PlainRules): string[] {
  const all = offers.map((offer) => Number(offer.price));
  const apart = Math.max(...all) / Math.min(...all);
  const each = offers.flatMap((offer): string[] => {
    const price = Number(offer.price);
    const digits = offer.price.replace('.', '');
    const steps = rule.multipleOf ? Math.round((price / Number(rule.multipleOf)) * 1000) / 1000 : 0;
    const due = rule.taxSlabs?.find((slab) => slab.upTo === undefined || price <= Number(slab.upTo))?.percent;
    return [
      ...(price < Number(rule.least ?? '0.01') || price > Number(rule.most ?? Infinity)
        ? ['a price out of bounds']
        : []),
      ...(Number.isInteger(steps) ? [] : ['a price that is no multiple']),
      ...(rule.endings && !rule.endings.some((ending) => digits.endsWith(ending))
        ? ['a price that ends otherwise']
        : []),
      ...(rule.listAbovePrice && offer.listPrice !== undefined && Number(offer.listPrice) <= price
        ? ['a list price that is not above']
        : []),
      ...(due !== undefined && offer.taxPercent !== due ? ['another tax'] : []),
    ];
  });
  return [
    ...(isTold(offers, rule.variesBy, (offer) => offer.price) ? [] : ['prices that cannot be told']),
    ...each,
    ...(currency === rule.currency ? [] : ['another currency']),
    ...(rule.spreadAtMost && apart > Number(rule.spreadAtMost) ? ['prices too far apart'] : []),
  ];
}

/** Whether a figure of children can be told where it may differ by the options of one axis, or not within a listing. */
function isTold(offers: readonly Offer[], variesBy: string | undefined, figureOf: (offer: Offer) => unknown): boolean {
  if (variesBy !== 'axis' && variesBy !== 'listing') return true;
  const isOne = (some: readonly Offer[]) => new Set(some.map(figureOf)).size < 2;
  const axes = offers[0]?.options.map((_, at) => at) ?? [];
  if (variesBy === 'listing' || axes.length === 0) return isOne(offers);
  return axes.some((at) =>
    offers.every((offer) => isOne(offers.filter((other) => other.options[at] === offer.options[at]))),
  );
}

async function picturesWrong(goods: Goods, { pictures: rule, axes }: PlainRules, lookAt: LookAt): Promise<string[]> {
  const tied = goods.axes.findIndex((axis) => axis.options.some((option) => option.pictures !== undefined));
  const values = tied < 0 ? 0 : goods.axes[tied]!.options.length;
  const sets =
    axes.pictures === 'child' || axes.pictures === undefined
      ? goods.offers.map((offer) => offer.pictures ?? [])
      : [
          [
            ...new Set([
              ...goods.pictures,
              ...goods.axes.flatMap((axis) => axis.options.flatMap((one) => one.pictures ?? [])),
            ]),
          ],
        ];
  const most = rule.atMost + (rule.perValue ?? 0) * values;
  const found: string[] = [];
  if (axes.pictures === 'firstAxis' && tied > 0) found.push('pictures that do not follow the first axis');
  for (const set of sets) {
    if (set.length < (rule.atLeast ?? 0) || set.length > most) found.push('too few pictures, or too many');
    for (const [at, address] of set.entries()) {
      const seen = await lookAt(address);
      if (!seen) found.push('a picture that is not there');
      else if (Math.min(seen.width, seen.height) < (rule.leastPixels ?? 0)) found.push('a small picture');
      else if (!seen.white && (rule.allWhite || (rule.whiteMain && at === 0))) found.push('a picture not on white');
    }
  }
  return found;
}
