/** Projection: a plan made into the listings that go out, in the channel's labels, currency and units. */
import { compareAmounts } from '../money/amount';
import { channelPrice, type ChannelPricing } from '../money/price';
import { lengthIn, weightIn, type LengthUnit, type WeightUnit } from '../measure/units';
import { fieldOf } from '../registry/fields';
import { figureOf } from '../family/level';
import { familyIndex } from '../family/weave';
import { picturesOf } from '../pictures/assign';
import type { Child, Family, Figure } from '../family/shape';
import type { FieldRule } from '../rulebook/shape';
import type { CheckContext } from './context';
import type { Listing, ListingOffer } from '../listing/listing';
import type { Plan, PlanListing } from './planner';

/** What a projection is made from: everything but the plan and its outcome. */
export type ProjectionContext = Omit<CheckContext, 'plan' | 'listings'>;

/** How prices become the channel's; each amount is worked out once, since most children share theirs. */
export function pricer(context: Pick<CheckContext, 'category' | 'settings' | 'seller'>): (amount: string) => string {
  const { price } = context.category.rules;
  const how: ChannelPricing = {
    currency: price.currency,
    taxIncluded: price.taxIncluded,
    rate: context.settings.rate,
    taxPercent: context.seller.taxPercent,
  };
  const known = new Map<string, string>();
  return (amount) => {
    const there = known.get(amount) ?? channelPrice(amount, how);
    known.set(amount, there);
    return there;
  };
}

/** The key of a listing on the channel: the family's id, and what tells it from the family's other listings. */
export function listingKeyOf(family: Family, planned: PlanListing): string {
  return planned.key === 'all' ? family.id : `${family.id}.${planned.key}`;
}

/** The figure all children of a listing share, for a field the listing has once; null where they differ. */
export function sharedFigure(family: Family, children: readonly Child[], key: string): Figure | undefined | null {
  const first = children[0] ? figureOf(family, children[0], key) : undefined;
  const same = (figure: Figure | undefined) =>
    figure === first || (Array.isArray(figure) && JSON.stringify(figure) === JSON.stringify(first));
  return children.every((child) => same(figureOf(family, child, key))) ? first : null;
}

const converted = new WeakMap<FieldRule, Map<number, number>>();

/**
 * A figure in the unit and decimals a channel's field asks for. Remembered per rule, since most children share
 * theirs.
 */
export function inChannelUnit(rule: FieldRule, figure: Figure): Figure {
  if (typeof figure !== 'number') return figure;
  let known = converted.get(rule);
  if (!known) converted.set(rule, (known = new Map()));
  const there = known.get(figure) ?? convert(rule, figure);
  if (known.size < 5000) known.set(figure, there);
  return there;
}

function convert(rule: FieldRule, figure: number): number {
  const type = fieldOf(rule.key)?.type;
  if (type === 'weight') return Number(weightIn(figure, (rule.unit ?? 'g') as WeightUnit, rule.decimals));
  if (type === 'length') return Number(lengthIn(figure, (rule.unit ?? 'cm') as LengthUnit, rule.decimals));
  return figure;
}

/** The pieces sent: what is in stock, no more than the channel takes. */
export function stockSent(context: Pick<CheckContext, 'stock' | 'category'>, childId: string): number {
  return Math.min(context.stock[childId] ?? 0, context.category.rules.stock.most);
}

/** All listings of a plan. Children without an SKU or a price are not in them: a finding stops those. */
export function projectListings(context: ProjectionContext, plan: Plan): Listing[] {
  const { family } = context;
  const { rules } = context.category;
  const { valueById } = familyIndex(family);
  const childById = new Map(context.offered.map((child) => [child.id, child]));
  const chosen = plan.axes.map((axis) => {
    const byKey = new Map(axis.options.map((option) => [option.key, option]));
    const [only] = axis.from;
    const keyOf = (child: Child) =>
      axis.from.length === 1 ? child.at[only!]! : axis.from.map((id) => child.at[id]).join('+');
    return new Map(context.offered.map((child) => [child.id, byKey.get(keyOf(child))!]));
  });
  const optionOf = (child: Child, axis: number) => chosen[axis]!.get(child.id)!;
  const labelOf = (child: Child, axis: number) => {
    const option = optionOf(child, axis);
    const { role } = plan.axes[axis]!;
    const lead = valueById.get(option.valueIds[0]!)!.label;
    return rules.axes.roles[role]?.shows === 'list' ? (context.pairingOf(role, lead) ?? option.label) : option.label;
  };
  const address = (id: string) => context.pictureBase + id;

  return plan.listings.map((planned): Listing => {
    const children = planned.childIds.map((id) => childById.get(id)!);
    const offers = children.flatMap((child): ListingOffer[] =>
      offerOf(
        context,
        child,
        plan.axes.map((_, axis) => labelOf(child, axis)),
      ),
    );
    const pictureAxis = plan.pictureAxis;
    const axes = plan.axes.map((axis, number) => {
      const firsts = new Map<unknown, Child>();
      for (const child of children)
        if (!firsts.has(optionOf(child, number))) firsts.set(optionOf(child, number), child);
      return {
        name: axis.name,
        role: axis.role,
        options: axis.options
          .filter((option) => firsts.has(option))
          .map((option) => {
            const first = firsts.get(option)!;
            const lead = valueById.get(option.valueIds[0]!)!.label;
            const paired = rules.axes.roles[axis.role]?.list ? context.pairingOf(axis.role, lead) : undefined;
            const shown =
              rules.axes.pictures === 'axis' && number === pictureAxis
                ? optionPictures(context, option.valueIds, first).map(address)
                : undefined;
            return {
              label: labelOf(first, number),
              ...(paired ? { paired } : {}),
              ...(shown ? { pictures: shown } : {}),
            };
          }),
      };
    });
    const shared: Listing['fields'] = {};
    for (const rule of rules.fields) {
      if (rule.level !== 'listing') continue;
      const figure = sharedFigure(family, children, rule.key);
      if (figure !== undefined && figure !== null) shared[rule.name] = inChannelUnit(rule, figure);
    }
    // Values of axes that are split or pinned are facts of the whole listing.
    for (const axisId of [...plan.split, ...plan.pinned]) {
      const axis = family.axes.find((one) => one.id === axisId)!;
      shared[axis.label] = valueById.get(children[0]!.at[axisId]!)!.label;
    }
    for (const [name, answer] of Object.entries(context.settings.answers)) {
      if (rules.settings.some((setting) => setting.key === name) && answer) shared[name] = answer;
    }
    const room = rules.axes.pictures === 'child' ? 0 : rules.pictures.atMost;
    return {
      key: listingKeyOf(family, planned),
      styleCode: String(family.fields.styleCode ?? ''),
      category: context.category.id,
      currency: rules.price.currency,
      structure: plan.signature,
      axes: fitPictures(axes, room, pictureAxis),
      fields: shared,
      pictures:
        room > 0
          ? listingPictures(context, children, axes, room, pictureAxis).map(address)
          : family.pictures.slice(0, rules.pictures.atMost).map(address),
      fromPrice: [...new Set(offers.map((offer) => offer.price))].sort(compareAmounts)[0] ?? '',
      offers,
    };
  });
}

function offerOf(context: ProjectionContext, child: Child, options: string[]): ListingOffer[] {
  const { family } = context;
  const { rules } = context.category;
  const figure = (key: string) => figureOf(family, child, key);
  const sku = figure('sku');
  const price = figure('price');
  if (typeof sku !== 'string' || typeof price !== 'string') return [];
  const amount = (key: string) => {
    const stored = figure(key);
    return typeof stored === 'string' ? { [key]: context.priceOf(stored) } : {};
  };
  const fields: ListingOffer['fields'] = {};
  for (const rule of rules.fields) {
    const held = rule.level === 'child' ? figure(rule.key) : undefined;
    if (held !== undefined) fields[rule.name] = inChannelUnit(rule, held);
  }
  const sale =
    figure('salePrice') !== undefined && figure('saleFrom') !== undefined && figure('saleUntil') !== undefined;
  const gtin = figure('gtin');
  return [
    {
      sku,
      ...(typeof gtin === 'string' ? { gtin } : figure('gtinExempt') === true ? { gtinExempt: true } : {}),
      options,
      price: context.priceOf(price),
      ...amount('listPrice'),
      ...(sale
        ? { ...amount('salePrice'), saleFrom: String(figure('saleFrom')), saleUntil: String(figure('saleUntil')) }
        : {}),
      stock: stockSent(context, child.id),
      fields,
      ...(rules.axes.pictures === 'child'
        ? {
            pictures: picturesOf(family, child)
              .slice(0, rules.pictures.atMost)
              .map((id) => context.pictureBase + id),
          }
        : {}),
    },
  ];
}

/** Pictures of one option: those of its values; where it has none, those of its first child. */
export function optionPictures(
  context: Pick<CheckContext, 'family'>,
  valueIds: readonly string[],
  first: Child,
): string[] {
  const { valueById } = familyIndex(context.family);
  const ofValues = valueIds.flatMap((id) => valueById.get(id)?.pictures ?? []);
  return [...new Set(ofValues.length > 0 ? ofValues : first.pictures)];
}

/** At most `room` pictures in the listing: each option keeps its first as long as there is room. */
function fitPictures(axes: Listing['axes'], room: number, pictureAxis: number | null): Listing['axes'] {
  if (room === 0 || pictureAxis === null) return axes;
  const left = new Set<string>();
  return axes.map((axis, number) =>
    number !== pictureAxis
      ? axis
      : {
          ...axis,
          options: axis.options.map((option) => {
            const first = option.pictures?.[0];
            if (!first || (!left.has(first) && left.size >= room)) return { ...option, pictures: [] };
            left.add(first);
            return { ...option, pictures: [first] };
          }),
        },
  );
}

/** The listing's pictures: the family's first, each option's first, then the rest, as far as there is room. */
function listingPictures(
  context: ProjectionContext,
  children: readonly Child[],
  axes: Listing['axes'],
  room: number,
  pictureAxis: number | null,
): string[] {
  const shown = pictureAxis === null ? [] : axes[pictureAxis]!.options.map((option) => option.pictures ?? []);
  const bare = (url: string) => url.slice(context.pictureBase.length);
  const firsts = shown.flatMap((urls) => urls.slice(0, 1)).map(bare);
  const rest = shown.flatMap((urls) => urls.slice(1)).map(bare);
  const { valueById } = familyIndex(context.family);
  const general = context.family.axes.flatMap((axis) => valueById.get(children[0]?.at[axis.id] ?? '')?.pictures ?? []);
  const wanted = [
    ...new Set([
      ...firsts.slice(0, room),
      ...context.family.pictures,
      ...rest,
      ...(pictureAxis === null ? general : []),
    ]),
  ];
  // The main picture leads, whether the family's or an option's.
  const main = context.family.pictures[0];
  const ordered = main && wanted.includes(main) ? [main, ...wanted.filter((id) => id !== main)] : wanted;
  return ordered.slice(0, room);
}
