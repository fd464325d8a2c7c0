/** Offers: the children of a listing as the channel sells them, in its labels, currency and units. */
import type { Column } from '../../family/columnShape';
import { familyIndex } from '../../family/weave';
import { pictureMark } from '../../listing/pictureAddress';
import type { ListingOffer } from '../../listing/listing';
import { slabRate } from '../../money/tax';
import { picturesOf } from '../../pictures/picturesOf';
import type { FieldCheck } from '../../rulebook/openRulebook';
import type { CheckContext } from '../context';
import { channelFigure } from './channelFigure';
import { piecesSent } from './piecesSent';

const KEYS = ['sku', 'listPrice', 'gtin', 'gtinExempt'] as const;

/** A function that makes the offer of one child; null for one without SKU or price, which a finding stops. */
export function offerMaker(context: CheckContext): (position: number, options: string[]) => ListingOffer | null {
  const { woven } = familyIndex(context.family);
  const columns = Object.fromEntries(KEYS.map((key) => [key, context.column(key)])) as Record<
    (typeof KEYS)[number],
    Column
  >;
  const ofChildren = context.category.fieldChecks
    .filter((check) => check.rule.level === 'child')
    .map((check) => ({ check, column: context.column(check.rule.key) }));
  const ofOffers = ofChildren.filter(({ check }) => check.rule.ofOffer);
  const { prices } = context;
  const { rules } = context.category;
  const pieces = piecesSent(context);
  const settled = context.family.wishes[context.account.id]?.entries ?? {};
  return (position, options) => {
    const child = woven[position]!;
    const sku = columns.sku.at(position);
    const price = prices.at(position);
    if (typeof sku !== 'string' || price === null) return null;
    const isUnder = context.isUnderEntry(position);
    const offer: ListingOffer = {
      sku,
      options,
      price,
      stock: pieces.at(position),
      fields: fieldsOf(context, isUnder ? ofOffers : ofChildren, position),
    };
    if (isUnder) offer.entry = settled[child.id]!;
    const { taxSlabs } = rules.price;
    if (taxSlabs) offer.taxPercent = slabRate(taxSlabs, offer.price);
    const gtin = columns.gtin.at(position);
    if (typeof gtin === 'string') offer.gtin = gtin;
    else if (columns.gtinExempt.at(position) === true) offer.gtinExempt = true;
    const { figure: list, scope } = columns.listPrice.groupAt(position);
    if (typeof list === 'string') offer.listPrice = prices.of(list, scope);
    // A sale is sent whole or not at all.
    const sale = prices.saleAt(position);
    if (sale) Object.assign(offer, { salePrice: sale.price, saleFrom: sale.from, saleUntil: sale.until });
    if (rules.axes.pictures === 'child' && !isUnder) {
      const shown = picturesOf(context.family, child, context.scopes).slice(0, rules.pictures.atMost);
      offer.pictures = shown.map(pictureMark);
    }
    return offer;
  };
}

function fieldsOf(
  context: CheckContext,
  checks: readonly { check: FieldCheck; column: Column }[],
  position: number,
): ListingOffer['fields'] {
  const fields: ListingOffer['fields'] = {};
  for (const { check, column } of checks) {
    const figure = column.at(position);
    if (figure !== undefined) fields[check.rule.name] = channelFigure(context, check, figure);
  }
  return fields;
}
