/**
 * Findings about prices: there, within bounds, list price above, sale whole, spread. Amounts are compared as the
 * channel will see them.
 */
import Big from 'big.js';
import { compareAmounts, showAmount, toCurrency } from '../../money/amount';
import { betterEdge } from '../../money/tax';
import type { PriceGroup } from '../accountPrices';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { chosenOptions } from '../project/chosenOptions';
import { saleFindings } from './sales';
import { FAMILY, homeOf, makeFinding, typeHere } from './report';

export function priceFindings(context: CheckContext): Finding[] {
  return [
    ...bounds(context),
    ...listPrices(context),
    ...saleFindings(context),
    ...spread(context),
    ...notTold(context),
    ...slabs(context),
  ];
}

/** Children with another price than the first of those the channel has one price for. */
function notTold(context: CheckContext): Finding[] {
  const { plan, account } = context;
  if (!plan || plan.cost.pricesLost === 0) return [];
  const { prices } = context;
  const chosen = plan.priceAxis === null ? null : chosenOptions(context, plan)[plan.priceAxis]!;
  const members = context.listings.flatMap((positions) => {
    const first = new Map<number, unknown>();
    return positions.filter((position) => {
      const option = chosen?.[position] ?? 0;
      if (!first.has(option)) first.set(option, prices.at(position));
      return first.get(option) !== prices.at(position);
    });
  });
  if (members.length === 0) return [];
  const { key, scope, place } = causeOf(prices.groupAt(members[0]!));
  const axis = plan.priceAxis === null ? null : plan.axes[plan.priceAxis]!.name;
  return [
    makeFinding(context, {
      code: 'price.not-told',
      params: { account: account.name, axis },
      severity: 'stops',
      key,
      rule: 'price.variesBy',
      members,
      place,
      scope,
      remedies: [typeHere(key, place)],
    }),
  ];
}

/** Prices just above a tax slab: at its edge more would be left. */
function slabs(context: CheckContext): Finding[] {
  const { slabs: rates, currency } = context.prices.money;
  if (rates.length < 2) return [];
  return context.priceGroups.flatMap((group) => {
    const { price, members } = group;
    const better = price === null ? null : betterEdge(rates, price);
    if (price === null || !better) return [];
    const { edge, lower, higher, more } = better;
    return makeFinding(context, {
      code: 'price.slab',
      params: {
        account: context.account.name,
        price: showAmount(price, currency),
        edge: showAmount(edge, currency),
        lower,
        higher,
        more: showAmount(toCurrency(more, currency), currency),
      },
      severity: 'advises',
      rule: 'price.taxSlabs',
      members,
      ...causeOf(group),
    });
  });
}

/** The figure that a price is made of, and where it stands. */
function causeOf({ key, place, scope }: PriceGroup) {
  return { key, scope, place: place ?? FAMILY };
}

function bounds(context: CheckContext): Finding[] {
  const { account, category, rulebook } = context;
  const rules = category.rules.price;
  const least = rules.least ?? '0.01';
  const shown = (amount: string) => showAmount(amount, rules.currency);
  return context.priceGroups.flatMap((group): Finding | Finding[] => {
    const { price, members } = group;
    if (price === null) {
      const home = homeOf(context, rulebook.registry.field('price'), members);
      return makeFinding(context, {
        code: 'price.missing',
        params: {},
        severity: 'stops',
        key: 'price',
        rule: 'price.price',
        members,
        place: home,
        remedies: [typeHere('price', home)],
      });
    }
    const cause = causeOf(group);
    const about = { severity: 'stops', members, ...cause, remedies: [typeHere(cause.key, cause.place)] } as const;
    if (compareAmounts(price, least) < 0) {
      const params = { account: account.name, price: shown(price), least: shown(least) };
      return makeFinding(context, {
        ...about,
        remedies: [...about.remedies],
        code: 'price.too-low',
        params,
        rule: 'price.least',
      });
    }
    if (rules.most === undefined || compareAmounts(price, rules.most) <= 0) return [];
    const params = { account: account.name, price: shown(price), most: shown(rules.most) };
    return makeFinding(context, {
      ...about,
      remedies: [...about.remedies],
      code: 'price.too-high',
      params,
      rule: 'price.most',
    });
  });
}

/** A list price that is not above the price it is struck through for, told once where the list price stands. */
function listPrices(context: CheckContext): Finding[] {
  const { rules } = context.category;
  const { prices } = context;
  return context.groups('listPrice').flatMap(({ figure, place, scope, members }) => {
    if (typeof figure !== 'string' || !place) return [];
    const list = prices.of(figure, scope);
    const wrong = new Map<PriceGroup, boolean>();
    const isWrong = (position: number) => {
      const group = prices.groupAt(position);
      let known = wrong.get(group);
      if (known === undefined) {
        known = group.price !== null && compareAmounts(list, group.price) <= 0;
        wrong.set(group, known);
      }
      return known;
    };
    const found = members.filter(isWrong);
    if (found.length === 0) return [];
    const price = prices.at(found[0]!)!;
    const { currency, listAbovePrice } = rules.price;
    const giveBack = { place, key: 'listPrice', figure: null, ...(scope === 'everywhere' ? {} : { scope }) };
    return makeFinding(context, {
      code: 'price.list-not-above',
      params: { list: showAmount(list, currency), price: showAmount(price, currency) },
      severity: listAbovePrice ? 'stops' : 'warns',
      key: 'listPrice',
      rule: 'price.listAbovePrice',
      members: found,
      place,
      scope,
      remedies: [
        {
          kind: 'change',
          label: { do: 'giveBack', field: 'List price' },
          commands: [{ do: 'setFigures', changes: [giveBack] }],
        },
        typeHere('listPrice', place),
      ],
    });
  });
}

/** The dearest child of a listing against its cheapest. */
function spread(context: CheckContext): Finding[] {
  const { spreadAtMost, currency } = context.category.rules.price;
  if (!spreadAtMost) return [];
  const { prices } = context;
  return context.listings.flatMap((positions) => {
    const priced = positions.flatMap((position) => {
      const price = prices.at(position);
      return price === null ? [] : [{ position, price }];
    });
    if (priced.length < 2) return [];
    const sorted = priced.toSorted((a, b) => compareAmounts(a.price, b.price));
    const cheapest = sorted[0]!.price;
    const limit = new Big(cheapest).times(spreadAtMost);
    const over = sorted.filter((one) => limit.lt(one.price));
    if (over.length === 0) return [];
    const dearest = over.at(-1)!;
    const cause = causeOf(prices.groupAt(dearest.position));
    return makeFinding(context, {
      code: 'price.spread',
      params: {
        times: spreadAtMost,
        dearest: showAmount(dearest.price, currency),
        cheapest: showAmount(cheapest, currency),
      },
      severity: 'stops',
      rule: 'price.spreadAtMost',
      members: over.map((one) => one.position),
      ...cause,
      remedies: [typeHere(cause.key, cause.place)],
    });
  });
}
