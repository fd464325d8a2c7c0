/** A rulebook's rules for people. */
import { showAmount, type Rules } from '@loom-kin/core';

/** What a channel's rules say, as pairs of what they are about and how they stand. */
export function rulesInWords(rules: Rules): [string, string][] {
  const { axes, pictures, price, stock, fees } = rules;
  const attach = { child: 'each child', axis: 'the values of one axis', listing: 'the listing alone' }[axes.pictures];
  return [
    [
      'Axes',
      `${axes.atMost} at most${axes.sets ? `, only ${axes.sets.map((set) => set.join(' + ')).join(', or ')} (by category)` : ', any of your own'}`,
    ],
    ['Options', `${axes.valuesAtMost} an axis, labels of ${axes.labelAtMost} characters`],
    [
      'Own lists',
      Object.entries(axes.roles)
        .filter(([, role]) => role?.list)
        .map(([role, rule]) => `${role}: ${rule!.list!.length} values`)
        .join(', ') || 'none',
    ],
    ['Children', `${rules.children.atMost} a listing`],
    [
      'GTIN',
      {
        required: 'on every child',
        exemptible: 'on every child, or an exemption for the brand',
        optional: 'not asked for',
      }[rules.identifiers.gtin],
    ],
    [
      'Pictures',
      `${pictures.atLeast} to ${pictures.atMost}, tied to ${attach}, ${pictures.leastPixels} pixels at least${pictures.whiteMain ? ', the main one on white' : ''}`,
    ],
    [
      'Prices',
      `${price.currency} ${price.taxIncluded ? 'with' : 'without'} tax${price.listAbovePrice ? ', list price above the price' : ''}`,
    ],
    ['Stock', `${stock.least} to ${stock.most.toLocaleString('en')} pieces`],
    [
      'Fees',
      Number(fees.perListing) > 0
        ? `${showAmount(fees.perListing, price.currency)} a listing, ${fees.commissionPercent} % commission`
        : `none a listing, ${fees.commissionPercent} % commission`,
    ],
    ['Fields', rules.fields.map((field) => `${field.name}${field.need === 'required' ? ' *' : ''}`).join(', ')],
  ];
}
