/** What children cost on an account: the seller's price as the channel shows it, or a price by the account's rule. */
import { accountMoney, type AccountMoney } from '../catalogue/accountMoney';
import { columnOf } from '../family/column';
import type { Column, ColumnGroup } from '../family/columnShape';
import { accountScope, scopesOf, type Scope } from '../family/scope';
import type { Family, Figure } from '../family/shape';
import type { Place } from '../place/place';
import { familyIndex } from '../family/weave';
import { toCurrency } from '../money/amount';
import { nearestAllowed } from '../money/allowedPrice';
import { ruledPrice, type PriceRule } from '../money/priceRule';
import type { Charges } from '../money/waterfall';
import type { Account, Seller } from '../catalogue/account';
import type { CategoryRules, OpenRulebook } from '../rulebook/openRulebook';

/** Children that have one price for one reason. */
export interface PriceGroup {
  /** In the channel's currency; null where there is none. */
  price: string | null;
  /** The figure that makes it: the cause of whatever is wrong with it. */
  key: 'price' | 'cost';
  place: Place | null;
  scope: Scope;
  /** Why the rule could not be carried out, and the seller's price stands instead. */
  unruled?: 'no-cost' | 'never';
  /** Positions among the woven children, ascending. */
  members: readonly number[];
}

/** A price for some days: the first of them and the last, as ISO 8601. */
export interface Sale {
  price: string;
  from: string;
  until: string;
}

export interface AccountPrices {
  readonly money: AccountMoney;
  readonly groups: readonly PriceGroup[];
  groupAt(position: number): PriceGroup;
  /** The price of the child at a position, in the channel's currency. */
  at(position: number): string | null;
  /** Another amount of the seller's, such as a list price, as the channel shows it; one that stands for the account alone is not moved by its rule. */
  of(amount: string, scope?: Scope): string;
  /** The sale of the child at a position, as the channel shows it; null where there is none, or not all of it is there. */
  saleAt(position: number): Sale | null;
  /** What comes off the price of the child at a position. */
  chargesAt(position: number): Charges;
}

/** What prices are made of. */
export interface PricedInput {
  family: Family;
  account: Account;
  seller: Seller;
  rulebook: OpenRulebook;
}

type Columns = Record<'price' | 'cost' | 'shippingCost', Column>;

/** The prices of all woven children on the account, under a category's rules. */
export function accountPrices(
  { family, account, seller, rulebook }: PricedInput,
  { rules }: CategoryRules,
): AccountPrices {
  const { registry } = rulebook;
  const scopes = scopesOf(account, registry.firstLanguage);
  const column = (key: string) => columnOf(family, key, scopes);
  const taxCode = textOf(column('taxCode').groups[0]?.figure) ?? undefined;
  const money = accountMoney({ account, seller, rules, taxCodes: registry.data.taxCodes, taxCode });
  const columns = { price: column('price'), cost: column('cost'), shippingCost: column('shippingCost') };
  const chargesAt = (position: number) =>
    money.charges(textOf(columns.cost.at(position)), textOf(columns.shippingCost.at(position)));
  const rule = account.settings.priceRule;
  const made = rule
    ? byRule(rule, {
        money,
        columns,
        chargesAt,
        count: familyIndex(family).woven.length,
        own: accountScope(account.id),
      })
    : asTheyAre(money, columns.price);
  const sale = { price: column('salePrice'), from: column('saleFrom'), until: column('saleUntil') };
  return {
    money,
    ...made,
    at: (position) => made.groupAt(position).price,
    saleAt(position) {
      const { figure, scope } = sale.price.groupAt(position);
      const [price, from, until] = [figure, sale.from.at(position), sale.until.at(position)].map(textOf);
      return price && from && until ? { price: made.of(price, scope), from, until } : null;
    },
    chargesAt,
  };
}

const textOf = (figure: Figure | undefined): string | null => (typeof figure === 'string' ? figure : null);

type Made = Pick<AccountPrices, 'groups' | 'groupAt' | 'of'>;

/** Without a rule: every price of the seller's, converted. */
function asTheyAre(money: AccountMoney, prices: Column): Made {
  const of = converter(money);
  const known = new Map<ColumnGroup, PriceGroup>();
  const groupOf = (group: ColumnGroup): PriceGroup => {
    const there = known.get(group);
    if (there) return there;
    const { figure, place, scope, members } = group;
    const price = textOf(figure);
    const made: PriceGroup = { price: price === null ? null : of(price), key: 'price', place, scope, members };
    known.set(group, made);
    return made;
  };
  return { of, groups: prices.groups.map(groupOf), groupAt: (position) => groupOf(prices.groupAt(position)) };
}

/** Each amount is worked out once, since most children share theirs. */
function converter({ plain, steps, currency }: AccountMoney): (amount: string) => string {
  return remembering((amount: string) => toCurrency(nearestAllowed(plain(amount), steps), currency));
}

function remembering<K, V>(work: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>();
  return (key) => {
    if (!known.has(key)) known.set(key, work(key));
    return known.get(key)!;
  };
}

interface RuleWork {
  money: AccountMoney;
  columns: Columns;
  chargesAt: AccountPrices['chargesAt'];
  /** Of woven children. */
  count: number;
  /** A price that was set for the account itself stands above the rule. */
  own: Scope;
}

/** By a rule: children whose figures come from the same places are a group. */
function byRule(rule: PriceRule, work: RuleWork): Made {
  const { money, columns, count, own } = work;
  const numberOf = numbering<ColumnGroup>();
  const groups = new Map<string, PriceGroup & { members: number[] }>();
  const groupOf = Array.from({ length: count }, (_, position) => {
    const price = columns.price.groupAt(position);
    const isOwn = price.scope === own && price.figure !== undefined;
    const read = isOwn ? [price] : [price, columns.cost.groupAt(position), columns.shippingCost.groupAt(position)];
    const name = read.map(numberOf).join('|');
    let group = groups.get(name);
    if (!group) groups.set(name, (group = { ...ruledGroup(rule, work, { position, isOwn }), members: [] }));
    group.members.push(position);
    return group;
  });
  const plain = converter(money);
  // List and sale prices move with the price; what is made of the cost leaves them as they are.
  const moved =
    rule.from === 'cost' ? plain : remembering((amount: string) => ruledAmount(rule, money, amount) ?? plain(amount));
  return {
    groups: [...groups.values()],
    groupAt: (position) => groupOf[position]!,
    of: (amount, scope) => (scope === own ? plain : moved)(amount),
  };
}

function ruledGroup(
  rule: PriceRule,
  { money, columns, chargesAt }: RuleWork,
  { position, isOwn }: { position: number; isOwn: boolean },
): Omit<PriceGroup, 'members'> {
  const { figure, place, scope } = columns.price.groupAt(position);
  const price = textOf(figure);
  const plain = { key: 'price' as const, place, scope, price: price === null ? null : converter(money)(price) };
  if (isOwn || (price === null && rule.from === 'price')) return plain;
  const made = ruledPrice(rule, price ?? '0', { ...money, charges: chargesAt(position) });
  if (!made.ok) return { ...plain, unruled: made.why };
  const cause = columns[rule.from].groupAt(position);
  return { price: toCurrency(made.price, money.currency), key: rule.from, place: cause.place, scope: cause.scope };
}

/** Numbers for whatever comes, alike for the same. */
function numbering<T>(): (one: T) => number {
  const numbers = new Map<T, number>();
  return (one) => {
    if (!numbers.has(one)) numbers.set(one, numbers.size);
    return numbers.get(one)!;
  };
}

function ruledAmount(rule: PriceRule, money: AccountMoney, amount: string): string | null {
  const made = ruledPrice(rule, amount, { ...money, charges: money.charges('0', null) });
  return made.ok ? toCurrency(made.price, money.currency) : null;
}
