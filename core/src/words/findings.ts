/** What every finding says: code → sentence made from its parameters and from whom it is about. */
import { children, count, listed } from '../text/counts';
import { countryName } from '../text/countryName';
import { languageName } from '../text/languageName';

/** Whom a sentence is about: "Rust · XL has", "24 children have". */
export interface Subject {
  text: string;
  many: boolean;
  /** It is what the seller calls it, and written so wherever it stands. */
  isLabel?: boolean;
}

type None = Record<never, never>;
interface OnAccount {
  account: string;
}
interface OfField {
  field: string;
}

const has = (who: Subject) => `${who.text} ${who.many ? 'have' : 'has'}`;
const of = (who: Subject) => (who.isLabel ? who.text : who.text.charAt(0).toLowerCase() + who.text.slice(1));
/** Labels such as "Highlights" or "Search words" are many. */
const isAre = (label: string) => (/[^s]s$/.test(label) ? 'are' : 'is');

export const FINDINGS = {
  'category.choose': (p: OnAccount) => `Choose a category: it decides where on ${p.account} the family goes.`,
  'category.none': (p: OnAccount & { category: string }) => `${p.account} has no place yet for ${p.category}.`,
  'route.none': (p: OnAccount) => `No route leads this family to ${p.account}.`,
  'route.waits': (p: OnAccount & { route: string }) =>
    `The route ${p.route} leads this family to ${p.account}; it is offered there when you say so.`,
  'fit.broken': (p: OnAccount & { why: string }) =>
    `How the family goes onto ${p.account} cannot be worked out: ${p.why}. Other accounts are not touched by it.`,
  'setting.missing': (p: OnAccount & { setting: string }) =>
    `${p.account} needs ${article(p.setting)} ${p.setting.toLowerCase()}. Set it under Channels.`,
  'approval.needed': (p: OnAccount & { category: string }) =>
    `${p.account} lets only sellers into ${p.category} whom it has let in. Ask for it.`,
  'approval.waiting': (p: OnAccount & { category: string }) =>
    `${p.account} has been asked to let you into ${p.category} and has not answered yet.`,
  'approval.refused': (p: OnAccount & { category: string }) =>
    `${p.account} has refused to let you into ${p.category}.`,

  'plan.nothing-offered': (p: { leftOut: number }) =>
    p.leftOut > 0
      ? `No child of this family is offered here: ${children(p.leftOut)} ${p.leftOut === 1 ? 'is' : 'are'} left out.`
      : 'No child of this family is for sale here.',
  'plan.wishes': (p: { wishes: readonly string[] }) =>
    `Your wishes leave no way to carry the axes over: ${listed(p.wishes)}. Lift one of them.`,
  'plan.chosen-gone': (_p: None) => 'The plan you chose no longer fits the family; the best one is used instead.',
  'plan.wish-broken': (p: { axes: string; most: number }) =>
    `${p.axes} cannot stay whole: a listing takes ${children(p.most)} at most, and so many values.`,
  'plan.search-stopped': (p: { listings: number; fewer: number }) =>
    `${count(p.listings, 'listing')} are the fewest found in the time there is; there may be a way with up to ${p.fewer} fewer.`,
  'axis.not-taken': (p: OnAccount & { axis: string; category: string; listings: number; taken: string }) =>
    `${p.axis} is no option that ${p.account} takes for ${p.category}, only ${p.taken}: each of its values gets a listing of its own, ${p.listings} in all.`,
  'plan.pictures-lost': (p: { pictures: number; axis: string | null }) =>
    `${count(p.pictures, 'picture')} would not show: pictures follow ${p.axis ?? 'no axis'} here.`,
  'label.language': (p: OnAccount & { axis: string; labels: string; language: string }) =>
    `Labels of ${p.axis} are not written in ${languageName(p.language)} yet, the language of ${p.account}: ${p.labels}.`,
  'label.shortened': (p: { axis: string; full: string; short: string }) =>
    `Labels of ${p.axis} are shortened to fit: "${p.full}" becomes "${p.short}".`,

  'pairing.missing': (p: OnAccount & { value: string; isOption: boolean }) =>
    p.isOption
      ? `${p.value} is not among the values of ${p.account}. Pair it with one of them.`
      : `${p.value} is not among the values of ${p.account}. It is no option there and goes out in your own word; paired, buyers who look for theirs find it.`,
  'pairing.collides': (p: { values: string; to: string }) => `${p.values} would be shown alike, as ${p.to}.`,

  'sku.missing': (_p: None, who: Subject) => `${has(who)} no SKU.`,
  'sku.too-long': (p: OnAccount & { most: number }, who: Subject) =>
    `The SKU of ${of(who)} is longer than ${p.most} characters, the most ${p.account} takes.`,
  'gtin.missing': (p: { mayBeExempt: boolean }, who: Subject) =>
    `${has(who)} no GTIN${p.mayBeExempt ? `, and ${who.many ? 'are' : 'is'} not marked exempt` : ''}.`,
  'gtin.wrong': (_p: None, who: Subject) => `${has(who)} a GTIN that is none.`,
  'gtin.not-exempt': (p: OnAccount & { brand: string; category: string }, who: Subject) =>
    `${has(who)} no GTIN: ${p.account} has granted ${p.brand || 'this brand'} no exemption in ${p.category}.`,

  'entry.found': (p: OnAccount & { must: boolean; differing: string | null }, who: Subject) =>
    `${p.account} knows the ${who.many ? 'numbers' : 'number'} of ${of(who)} already${p.differing === null ? '' : `, as goods that differ in ${p.differing}`}${p.must ? `, and takes ${who.many ? 'them' : 'it'} under its own ${who.many ? 'entries' : 'entry'} alone` : ''}.`,
  'entry.apart': (p: OnAccount, who: Subject) =>
    `${has(who)} a number that ${p.account} has another entry for: ${who.many ? 'they need numbers' : 'it needs a number'} of ${who.many ? 'their' : 'its'} own, or to go under it.`,
  'entry.gone': (p: OnAccount, who: Subject) =>
    `${who.text} ${who.many ? 'are' : 'is'} to be offered under an entry that ${p.account} does not have for ${who.many ? 'their numbers' : 'its number'}.`,
  'entry.unasked': (p: OnAccount, who: Subject) =>
    `${p.account} has not said yet whether it knows the ${who.many ? 'numbers' : 'number'} of ${of(who)}.`,

  'rate.missing': (p: OnAccount & { from: string; to: string }) =>
    `What 1 ${p.from} is in ${p.to} has not been said: prices go to ${p.account} as if they were the same.`,
  'tax.no-code': (p: OnAccount & { country: string }) =>
    `Prices on ${p.account} hold the tax of ${countryName(p.country)}, and the family has no tax code to find its rate by.`,
  'tax.unknown-code': (p: OnAccount & { code: string }) =>
    `The tax code ${p.code} is not among yours yet: make it under Setup, with its rates.`,
  'tax.no-rate': (p: OnAccount & { code: string; country: string }) =>
    `The tax code ${p.code} has no rate for ${countryName(p.country)}, whose tax the prices on ${p.account} hold.`,
  'rule.no-cost': (p: OnAccount, who: Subject) =>
    `${has(who)} no cost, which the price rule of ${p.account} begins with: your own price goes out instead.`,
  'rule.never': (p: OnAccount, who: Subject) =>
    `No price of ${of(who)} leaves what the price rule of ${p.account} asks for: commission, payment and tax grow with it. Your own price goes out instead.`,

  'price.missing': (_p: None, who: Subject) => `${has(who)} no price.`,
  'price.too-low': (p: OnAccount & { price: string; least: string }) =>
    `${p.price} is below ${p.least}, the least ${p.account} takes.`,
  'price.too-high': (p: OnAccount & { price: string; most: string }) =>
    `${p.price} is above ${p.most}, the most ${p.account} takes.`,
  'price.list-not-above': (p: { list: string; price: string }) =>
    `The list price ${p.list} is not above the price ${p.price}.`,
  'price.sale-half': (_p: None) => 'The sale needs a price, a start and an end. It is not sent.',
  'price.sale-order': (p: { from: string; until: string }) =>
    `The sale ends on ${p.until}, before it begins on ${p.from}.`,
  'price.sale-not-below': (p: { sale: string; price: string }) =>
    `The sale price ${p.sale} is not below the price ${p.price}.`,
  'price.spread': (p: { times: string; dearest: string; cheapest: string }, who: Subject) =>
    `${who.text} ${who.many ? 'cost' : 'costs'} up to ${p.dearest}, more than ${p.times} times the cheapest child of the listing (${p.cheapest}).`,
  'price.not-told': (p: OnAccount & { axis: string | null }, who: Subject) =>
    `${has(who)} another price than can be told: ${p.account} has one ${p.axis === null ? 'for a listing' : `for each ${p.axis}`}.`,
  'price.slab': (p: OnAccount & { price: string; edge: string; lower: string; higher: string; more: string }) =>
    `${p.price} is just above ${p.edge}, where the tax on ${p.account} rises from ${p.lower} % to ${p.higher} %: at ${p.edge} you would keep ${p.more} more.`,

  'stock.too-low': (p: OnAccount & { least: number }, who: Subject) =>
    `${has(who)} fewer pieces than the ${p.least} ${p.account} takes at least.`,
  'stock.held-back': (p: OnAccount & { least: number }, who: Subject) =>
    `Of the pieces of ${of(who)} so many are kept back from ${p.account} that fewer than ${p.least} are left for it, which it does not take.`,
  'sold-with.not-told': (p: OnAccount & { items: string }, who: Subject) =>
    `${who.text} ${who.many ? 'are' : 'is'} sold only with ${p.items}: ${p.account} cannot be told, and sells ${who.many ? 'them' : 'it'} alone.`,
  'order.limits': (p: { least: number | null; most: number | null; multiple: number | null }, who: Subject) =>
    `No order can meet the limits of ${of(who)}: ${listed(
      [
        p.least !== null && `at least ${p.least}`,
        p.most !== null && `at most ${p.most}`,
        p.multiple !== null && `in steps of ${p.multiple}`,
      ].filter((one) => one !== false),
    )}.`,
  'stock.not-told': (p: OnAccount & { axis: string | null }, who: Subject) =>
    `${has(who)} more pieces than are sent: ${p.account} counts ${p.axis === null ? 'a listing as one' : `by ${p.axis}`}, so the least of those that share a count goes out.`,
  'stock.capped': (p: OnAccount & { most: number }, who: Subject) =>
    `${has(who)} more pieces than are sent: ${p.account} takes ${p.most} at most.`,

  'picture.gone': (_p: None) => 'A picture that is placed here is gone.',
  'picture.small': (p: OnAccount & { file: string; width: number; height: number; least: number }) =>
    `${p.file} is ${p.width} × ${p.height} pixels; ${p.account} wants ${p.least} at least on both sides.`,
  'picture.not-white': (p: OnAccount & { file: string }, who: Subject) =>
    `${p.file} leads ${of(who)} and has no white background; ${p.account} wants one on the main picture.`,
  'picture.missing': (p: OnAccount, who: Subject) => `${has(who)} no picture on ${p.account}.`,
  'picture.few': (p: OnAccount & { count: number; least: number }, who: Subject) =>
    `${has(who)} ${p.count} of the ${count(p.least, 'picture')} ${p.account} asks for.`,
  'picture.more': (p: OnAccount & { most: number; count: number }) =>
    `${p.most} of ${count(p.count, 'picture')} go to ${p.account}; the first of each option are kept first.`,
  'picture.options-unshown': (p: OnAccount & { options: readonly string[]; most: number }) =>
    `${listed(p.options)} ${p.options.length === 1 ? 'shows' : 'show'} no picture: ${p.account} takes ${p.most} for a listing. Several options can share one.`,
  'picture.other-colour': (p: { file: string; value: string; looks: string }) =>
    `${p.file} stands on ${p.value} and looks ${p.looks === 'many' ? 'of many colours' : p.looks}.`,
  'picture.blurred': (p: { file: string }) => `${p.file} is not sharp.`,
  'picture.twice': (p: { file: string; other: string }) => `${p.file} and ${p.other} show the same.`,
  'picture.two-values': (p: { file: string; values: readonly string[] }) =>
    `${p.file} stands on ${listed(p.values)}: choosing between them shows no difference.`,
  'picture.option-missing': (p: OnAccount & { option: string }) =>
    `${p.option} has no picture of its own on ${p.account}: choosing it changes nothing.`,

  'field.missing': (p: OnAccount & OfField & { need: 'required' | 'recommended' }, who: Subject) => {
    const whose = who.text === WHOLE ? '' : ` for ${of(who)}`;
    return `${p.field} ${isAre(p.field)} missing${whose}; ${p.account} ${p.need === 'required' ? 'requires' : 'recommends'} ${isAre(p.field) === 'are' ? 'them' : 'it'}.`;
  },
  'field.language': (p: OnAccount & OfField & { language: string }) =>
    `${p.field} ${isAre(p.field)} not written in ${languageName(p.language)} yet, the language of ${p.account}.`,
  'field.too-few': (p: OnAccount & OfField & { count: number; least: number }) =>
    `${p.field}: ${p.count} of the ${count(p.least, 'entry', 'entries')} ${p.account} asks for.`,
  'field.too-many': (p: OnAccount & OfField & { count: number; most: number }) =>
    `${p.field}: ${count(p.count, 'entry', 'entries')}; ${p.account} takes ${p.most}.`,
  'field.entry-long': (p: OfField & { entry: string; length: number; most: number }) =>
    `${p.field}: "${p.entry.slice(0, 30)}…" has ${p.length} characters; ${p.most} fit.`,
  'field.too-short': (p: OnAccount & OfField & { length: number; least: number }) =>
    `${p.field} has ${count(p.length, 'character')}; ${p.account} wants ${p.least} at least.`,
  'field.too-long': (p: OnAccount & OfField & { length: number; most: number }) =>
    `${p.field} has ${count(p.length, 'character')}; ${p.account} takes ${p.most}.`,
  'field.form': (p: OfField & { form: string }) => `${p.field} has to be ${p.form}.`,
  'field.zero': (p: OnAccount & OfField & { unit: string }) =>
    `${p.field} is 0 ${p.unit} when rounded to what ${p.account} takes.`,
  'field.unknown': (p: OnAccount & OfField & { need: 'required' | 'recommended' }) =>
    `${p.account} ${p.need === 'required' ? 'requires' : 'recommends'} ${p.field}, which your goods have no field for yet.`,
  'field.choice': (p: OnAccount & OfField & { value: string; choices: string }) =>
    `${p.field}: "${p.value}" is none of what ${p.account} takes: ${p.choices}.`,
  'field.yes-no': (p: OnAccount & OfField) => `${p.field} has to be yes or no on ${p.account}.`,
  'field.not-number': (p: OnAccount & OfField & { value: string }) =>
    `${p.field}: "${p.value}" is no plain number; ${p.account} takes nothing else.`,
  'field.bounds': (p: OnAccount & OfField & { shown: string; bounds: string }) =>
    `${p.field} is ${p.shown}; ${p.account} takes ${p.bounds}.`,
  'field.differs': (p: OnAccount & OfField) =>
    `${p.field} ${/[^s]s$/.test(p.field) ? 'differ' : 'differs'} between children; ${p.account} has one for the whole listing.`,
  'field.own-text': (p: OnAccount & OfField & { count: number }) =>
    `${children(p.count)} ${p.count === 1 ? 'has' : 'have'} another ${p.field} than the family; ${p.account} has one for the whole listing and shows the family's.`,
  'field.no-place': (p: OnAccount & OfField) =>
    `${p.account} has no place for ${p.field}: it does not hold there, and buyers see the goods as soon as they are sent.`,

  'name.option-values': (p: OnAccount & { values: string; several: boolean }) =>
    `The name holds the ${p.several ? 'options' : 'option'} ${p.values}; ${p.account} adds options itself.`,
  'wording.link': (p: OnAccount & OfField) =>
    `${p.field} ${isAre(p.field) === 'are' ? 'hold' : 'holds'} a link; ${p.account} refuses links.`,
  'measure.odd': (p: OfField & { shown: string; perhaps: string }) =>
    `${p.field} of ${p.shown}: was ${p.perhaps} meant?`,
} as const;

export type FindingCode = keyof typeof FINDINGS;
export type FindingParams<C extends FindingCode> = Parameters<(typeof FINDINGS)[C]>[0];

/** The subject of sentences about the family as a whole. */
export const WHOLE = 'The family';

/** "a delivery profile", "an agent". */
const article = (word: string) => (/^[aeiou]/i.test(word) ? 'an' : 'a');
