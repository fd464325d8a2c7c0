/** Putting together what checks and projection read, each thing when it is first asked for. */
import { pairingLookup } from '../pairing/pairings';
import { columnOf } from '../family/column';
import type { ColumnGroup } from '../family/columnShape';
import { scopesOf } from '../family/scope';
import { familyIndex } from '../family/weave';
import type { EntryMatch } from '../listing/entry';
import type { CategoryRules } from '../rulebook/openRulebook';
import type { AccountPrices } from './accountPrices';
import type { CheckContext, FitInput } from './context';
import { entryMatches } from './entries';
import type { Plan } from './planner';

/** The context of a fit under a category's rules and a plan. `offeredIds` are the children the plan is for. */
export function checkContext(
  input: FitInput,
  category: CategoryRules,
  { plan, isChosenGone, prices }: { plan: Plan | null; isChosenGone: boolean; prices: AccountPrices },
  offeredIds: readonly string[],
): CheckContext {
  const { family, account, rulebook } = input;
  const { woven, position } = familyIndex(family);
  const scopes = scopesOf(account, rulebook.registry.firstLanguage);
  const all = offeredIds.length === woven.length;
  const ids = all ? null : new Set(offeredIds);
  const offered = ids ? woven.filter((child) => ids.has(child.id)) : woven;
  const isOffered = (at: number) => !ids || ids.has(woven[at]!.id);
  const column = (key: string) => columnOf(family, key, scopes);
  const groups = new Map<string, readonly ColumnGroup[]>();
  const { isUnderEntry, none } = underEntries(input, category);
  const groupsOf = (key: string): readonly ColumnGroup[] => {
    let known = groups.get(key);
    if (!known) groups.set(key, (known = all ? column(key).groups : withMembers(column(key).groups, isOffered)));
    return known;
  };
  let matches: EntryMatch[] | undefined;
  const context: CheckContext = {
    ...input,
    category,
    plan,
    isChosenGone,
    scopes,
    offered,
    isOffered,
    column,
    isUnderEntry,
    groups: groupsOf,
    described: (positions) => (none ? positions : positions.filter((at) => !isUnderEntry(at))),
    describedGroups: (key) => (none ? groupsOf(key) : withMembers(groupsOf(key), (at) => !isUnderEntry(at))),
    listings: plan?.listings.map((listing) => listing.childIds.map((id) => position.get(id)!)) ?? [],
    pairingOf: pairingLookup(input.pairings, category.lists),
    prices,
    priceGroups: all ? prices.groups : withMembers(prices.groups, isOffered),
    matches: () => (matches ??= entryMatches(context)),
  };
  return context;
}

/** Which children stand under an entry of the channel, as the seller has settled it. */
function underEntries({ family, account }: FitInput, { rules }: CategoryRules) {
  const settled = rules.identifiers.entries === 'none' ? undefined : family.wishes[account.id]?.entries;
  const under = new Set(Object.entries(settled ?? {}).flatMap(([id, entry]) => (entry === null ? [] : [id])));
  const { woven } = familyIndex(family);
  return { none: under.size === 0, isUnderEntry: (position: number) => under.has(woven[position]!.id) };
}

function withMembers<G extends { members: readonly number[] }>(
  groups: readonly G[],
  keeps: (position: number) => boolean,
): G[] {
  return groups
    .map((group) => ({ ...group, members: group.members.filter(keeps) }))
    .filter((group) => group.members.length > 0);
}
