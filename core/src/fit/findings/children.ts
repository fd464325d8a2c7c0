/** Findings about single children: identifiers, prices, stock. */
import Big from 'big.js';
import { compareAmounts, showAmount } from '../../money/amount';
import { resolve } from '../../family/level';
import { childLabels } from '../../family/weave';
import { isGtin } from '../../identifiers/gtin';
import type { Child, Place } from '../../family/shape';
import type { CheckContext, Finding, Severity } from '../context';

const at = (child: Child): Place => ({ level: 'child', childId: child.id });
const named = (context: CheckContext, child: Child) =>
  childLabels(context.family, child).join(' · ') || 'The only child';

/** SKU and GTIN. */
export function identifierFindings(context: CheckContext): Finding[] {
  const { family, rulebook, settings } = context;
  const rules = context.category.rules.identifiers;
  const brand = String(family.fields.brand ?? '');
  const exemptBrand = settings.exemptBrands.some((one) => one.toLowerCase() === brand.toLowerCase());
  return context.offered.flatMap((child) => {
    const found: Finding[] = [];
    const add = (code: string, key: string, rule: string, text: string, remedy?: Finding['remedy']) =>
      found.push({
        code,
        severity: 'stops',
        place: at(child),
        key,
        rule: `identifiers.${rule}`,
        text,
        ...(remedy ? { remedy } : {}),
      });
    const sku = child.fields.sku;
    if (typeof sku !== 'string') add('sku.missing', 'sku', 'sku', `${named(context, child)} has no SKU.`);
    else if (sku.length > rules.skuAtMost)
      add(
        'sku.too-long',
        'sku',
        'skuAtMost',
        `${sku} has ${sku.length} characters; ${rulebook.name} takes ${rules.skuAtMost}.`,
      );
    const gtin = child.fields.gtin;
    if (typeof gtin === 'string') {
      if (!isGtin(gtin)) add('gtin.wrong', 'gtin', 'gtin', `${gtin} is no GTIN.`);
      return found;
    }
    if (rules.gtin === 'optional') return found;
    const exempt = resolve(family, child, 'gtinExempt').figure === true;
    if (rules.gtin === 'exemptible' && exempt) {
      if (!exemptBrand)
        add(
          'gtin.not-exempt',
          'gtinExempt',
          'gtin',
          `${rulebook.name} has granted ${brand || 'this brand'} no exemption from GTINs.`,
        );
      return found;
    }
    add(
      'gtin.missing',
      'gtin',
      'gtin',
      `${named(context, child)} has no GTIN${rules.gtin === 'exemptible' && exemptBrand ? ', and is not marked exempt' : ''}.`,
      rules.gtin === 'exemptible' && exemptBrand
        ? {
            kind: 'change',
            label: 'Mark as exempt',
            commands: [{ do: 'setFigures', changes: [{ place: at(child), key: 'gtinExempt', figure: true }] }],
          }
        : { kind: 'numbers', label: 'Take the next free number', childIds: [child.id] },
    );
    return found;
  });
}

/**
 * Prices: there, within bounds, list price above, sale whole, spread. Amounts are compared as the channel will see
 * them.
 */
export function priceFindings(context: CheckContext): Finding[] {
  const { family, rulebook } = context;
  const rules = context.category.rules.price;
  const found: Finding[] = [];
  const priced: { child: Child; price: string }[] = [];
  const least = rules.least ?? '0.01';
  /** Most children share their price: its bounds are looked at once. */
  const bounds = new Map<string, 'low' | 'high' | 'good'>();
  const boundOf = (price: string) => {
    let bound = bounds.get(price);
    if (!bound)
      bounds.set(
        price,
        (bound =
          compareAmounts(price, least) < 0
            ? 'low'
            : rules.most && compareAmounts(price, rules.most) > 0
              ? 'high'
              : 'good'),
      );
    return bound;
  };
  for (const child of context.offered) {
    const add = (
      code: string,
      severity: Severity,
      key: string,
      rule: string,
      text: string,
      remedy?: Finding['remedy'],
    ) =>
      found.push({ code, severity, place: at(child), key, rule: `price.${rule}`, text, ...(remedy ? { remedy } : {}) });
    const held = resolve(family, child, 'price');
    if (typeof held.figure !== 'string') {
      add('price.missing', 'stops', 'price', 'price', `${named(context, child)} has no price.`);
      continue;
    }
    const price = context.priceOf(held.figure);
    priced.push({ child, price });
    if (boundOf(price) === 'low')
      add(
        'price.too-low',
        'stops',
        'price',
        'least',
        `${showAmount(price, rules.currency)} is below ${showAmount(least, rules.currency)}, the least ${rulebook.name} takes.`,
      );
    if (boundOf(price) === 'high')
      add(
        'price.too-high',
        'stops',
        'price',
        'most',
        `${showAmount(price, rules.currency)} is above ${showAmount(rules.most!, rules.currency)}, the most ${rulebook.name} takes.`,
      );
    const list = resolve(family, child, 'listPrice');
    if (typeof list.figure === 'string' && compareAmounts(context.priceOf(list.figure), price) <= 0) {
      add(
        'price.list-not-above',
        rules.listAbovePrice ? 'stops' : 'warns',
        'listPrice',
        'listAbovePrice',
        `The list price of ${named(context, child)} is not above its price.`,
        list.from
          ? {
              kind: 'change',
              label: 'Give the list price back',
              commands: [{ do: 'setFigures', changes: [{ place: list.from, key: 'listPrice', figure: null }] }],
            }
          : undefined,
      );
    }
    const sale = ['salePrice', 'saleFrom', 'saleUntil'].map((key) => resolve(family, child, key).figure);
    if (sale.some((one) => one !== undefined) && sale.some((one) => one === undefined)) {
      add(
        'price.sale-half',
        'warns',
        'salePrice',
        'sale',
        `The sale of ${named(context, child)} needs a price, a start and an end. It is not sent.`,
      );
    }
  }
  if (rules.spreadAtMost && priced.length > 1) {
    const sorted = priced.toSorted((a, b) => compareAmounts(a.price, b.price));
    const low = sorted[0]!;
    const limit = new Big(low.price).times(rules.spreadAtMost);
    for (const { child, price } of sorted.filter((one) => limit.lt(one.price))) {
      found.push({
        code: 'price.spread',
        severity: 'stops',
        place: at(child),
        key: 'price',
        rule: 'price.spreadAtMost',
        text: `${named(context, child)} costs ${showAmount(price, rules.currency)}, more than ${rules.spreadAtMost} times the cheapest child (${showAmount(low.price, rules.currency)}).`,
      });
    }
  }
  return found;
}

/** Too few or too many pieces for the channel. */
export function stockFindings(context: CheckContext): Finding[] {
  const { least, most } = context.category.rules.stock;
  const { family, rulebook } = context;
  return context.offered.flatMap((child): Finding[] => {
    const pieces = context.stock[child.id] ?? 0;
    if (pieces < least) {
      const wish = family.wishes[rulebook.channel] ?? { apart: [], whole: [], leaveOut: [], offered: true };
      return [
        {
          code: 'stock.too-low',
          severity: 'stops',
          place: at(child),
          key: 'stock',
          rule: 'stock.least',
          text: `${named(context, child)} has ${pieces} pieces; ${rulebook.name} takes no fewer than ${least}.`,
          remedy: {
            kind: 'change',
            label: `Leave it out on ${rulebook.name}`,
            commands: [
              { do: 'setWish', channel: rulebook.channel, wish: { ...wish, leaveOut: [...wish.leaveOut, child.id] } },
            ],
          },
        },
      ];
    }
    return pieces > most
      ? [
          {
            code: 'stock.capped',
            severity: 'advises',
            place: at(child),
            key: 'stock',
            rule: 'stock.most',
            text: `${most} of ${pieces} pieces are sent: ${rulebook.name} takes no more.`,
          },
        ]
      : [];
  });
}
