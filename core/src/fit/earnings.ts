/** What the children of a family leave on an account: those alike in price and charges together. */
import Big from 'big.js';
import type { AccountMoney } from '../catalogue/accountMoney';
import { runCommand } from '../change/run';
import type { FigureChange } from '../change/setFigures';
import { columnOf } from '../family/column';
import { placesFor, type Reach } from '../family/placesFor';
import type { Scope } from '../family/scope';
import type { Family } from '../family/shape';
import { familyIndex } from '../family/weave';
import { toCurrency } from '../money/amount';
import { nearestAllowed } from '../money/allowedPrice';
import { priceFor, type Target } from '../money/priceFor';
import { waterfall, type Charges, type Waterfall } from '../money/waterfall';
import type { Registry } from '../registry/openRegistry';
import type { AccountPrices, PriceGroup, Sale } from './accountPrices';

/** Children that cost the same and of which the same comes off. */
export interface EarningGroup {
  childIds: string[];
  /** Where the price comes from. */
  price: PriceGroup;
  charges: Charges;
  /** Null where there is no price. */
  waterfall: Waterfall | null;
  /** Their sale, and what it leaves; null where they have none. */
  sale: (Sale & { waterfall: Waterfall }) | null;
}

/**
 * What is left of each price of some children.
 * @param childIds those that are looked at, in any order
 * @returns the groups, the cheapest first, those without a price last
 */
export function earningGroups(family: Family, prices: AccountPrices, childIds: readonly string[]): EarningGroup[] {
  const { position } = familyIndex(family);
  const groups = new Map<string, EarningGroup>();
  for (const childId of childIds) {
    const at = position.get(childId);
    if (at === undefined) continue;
    const price = prices.groupAt(at);
    const charges = prices.chargesAt(at);
    const sale = prices.saleAt(at);
    const name = [price.price, charges.cost, charges.shipping, sale?.price, sale?.from, sale?.until].join('|');
    const there = groups.get(name);
    if (there) there.childIds.push(childId);
    else {
      const made = price.price === null ? null : waterfall(price.price, charges);
      const onSale = sale && { ...sale, waterfall: waterfall(sale.price, charges) };
      groups.set(name, { childIds: [childId], price, charges, waterfall: made, sale: onSale });
    }
  }
  const rank = ({ price }: EarningGroup) => (price.price === null ? Infinity : Number(price.price));
  return [...groups.values()].sort((a, b) => rank(a) - rank(b));
}

/** As many decimals as amounts are kept with. */
const MOST_DECIMALS = 6;

/**
 * The price of the seller's own that an account shows as another: the way back through rate and tax.
 * @param price as the buyer is to see it
 * @param sellerCurrency ISO 4217
 * @returns an amount with the decimals of the seller's currency, or more where those are too few to come to that price
 */
export function sellersPrice(price: string, money: AccountMoney, sellerCurrency: string): string {
  const exact = money.sellers(new Big(price));
  const rounded = toCurrency(exact, sellerCurrency);
  const comesBack = nearestAllowed(money.plain(rounded), money.steps).eq(price);
  return comesBack ? rounded : exact.round(MOST_DECIMALS, Big.roundHalfUp).toFixed();
}

/** A group with the price that would leave what is wanted. */
export interface Proposal extends EarningGroup {
  proposed: { price: string; waterfall: Waterfall } | null;
  why: 'never' | 'no-cost' | null;
}

/** For each group the least price that leaves the target there. */
export function proposePrices(groups: readonly EarningGroup[], target: Target, money: AccountMoney): Proposal[] {
  return groups.map((group) => {
    const found = priceFor(target, group.charges, money.steps);
    if (!found.ok) return { ...group, proposed: null, why: found.why };
    return {
      ...group,
      proposed: { price: toCurrency(found.price, money.currency), waterfall: found.waterfall },
      why: null,
    };
  });
}

/**
 * The changes that give children prices, each where theirs stands or at the widest level where it holds for them, and changes nobody else.
 * @param prices in the seller's currency
 * @param scope for whom they hold; everywhere where it is left out
 */
export function priceChanges(
  registry: Registry,
  family: Family,
  prices: readonly { childIds: readonly string[]; price: string }[],
  scope?: Scope,
): FigureChange[] {
  const changes: FigureChange[] = [];
  let now = family;
  for (const { childIds, price } of prices) {
    const wanted = new Set(childIds);
    for (const { level, places } of reaches(now, childIds, scope)) {
      const here = places.map((place) => ({ place, key: 'price', figure: price, ...(scope ? { scope } : {}) }));
      const { family: next } = runCommand(registry, now, { do: 'setFigures', changes: here });
      if (level !== 'child' && !onlyThese(now, next, scope, { wanted, price })) continue;
      changes.push(...here);
      now = next;
      break;
    }
  }
  return changes;
}

/** Where a price for some children could stand: where theirs stands now, if that is one place, else at each level that reaches them. */
function reaches(family: Family, childIds: readonly string[], scope: Scope | undefined): Reach[] {
  const column = columnOf(family, 'price', scope ? [scope] : []);
  const { position } = familyIndex(family);
  const stand = new Set(childIds.map((id) => column.groupAt(position.get(id)!).place));
  const [here] = stand;
  const wide = placesFor(family, childIds);
  return stand.size === 1 && here && here.level !== 'child' ? [{ level: here.level, places: [here] }, ...wide] : wide;
}

/** Whether the price came to stand for the wanted children, and no other child's changed. */
function onlyThese(
  before: Family,
  after: Family,
  scope: Scope | undefined,
  { wanted, price }: { wanted: ReadonlySet<string>; price: string },
): boolean {
  const scopes = scope ? [scope] : [];
  const old = columnOf(before, 'price', scopes);
  const now = columnOf(after, 'price', scopes);
  return familyIndex(after).woven.every(({ id }, at) => now.at(at) === (wanted.has(id) ? price : old.at(at)));
}
