/** Why a family is not offered on an account, where the seller may want to know. */
import { proposeCategories } from '../../catalogue/proposeCategories';
import type { Destination } from '../../catalogue/routes';
import { EVERYWHERE } from '../../family/scope';
import { NO_WISH } from '../../family/shape';
import type { CategoryRules } from '../../rulebook/openRulebook';
import type { FitInput } from '../context';
import type { Finding } from '../finding';
import type { Remedy } from '../remedy';

const ABOUT = { severity: 'advises', place: { level: 'family' }, scope: EVERYWHERE } as const;

export function whyAbsent(
  input: FitInput,
  category: CategoryRules | null,
  { notOffered, route }: Destination,
): Finding[] {
  const account = input.account.name;
  const base = { ...ABOUT, childIds: [], remedies: [], key: 'route', rule: 'routes' };
  if (notOffered === 'noRoute') return [{ ...base, code: 'route.none', params: { account } }];
  // Whoever does not want it there need not choose; whoever said nothing has it go nowhere.
  if (!category)
    return [{ ...noCategory(input), ...(notOffered === null && isUnsorted(input) ? { severity: 'warns' } : {}) }];
  if (notOffered !== 'waits') return [];
  const params = { account, route: route!.name || category.label };
  return [{ ...base, code: 'route.waits', params, remedies: [offerIt(input)] }];
}

function offerIt({ account, family }: FitInput): Remedy {
  const wish = { ...(family.wishes[account.id] ?? NO_WISH), offered: true };
  const label = { do: 'offer' as const, account: account.name };
  return { kind: 'change', label, commands: [{ do: 'setWish', account: account.id, wish }] };
}

const isUnsorted = ({ family, rulebook: { registry } }: FitInput): boolean =>
  !registry.pathLabel(family.fields.category);

function noCategory({ family, account, rulebook: { registry, rulebook } }: FitInput): Finding {
  const { channel, name } = account;
  const sellerCategory = family.fields.category;
  const label = registry.pathLabel(sellerCategory);
  const base = { ...ABOUT, childIds: [], remedies: [], rule: 'categories' };
  const typed: Remedy = { kind: 'figure', key: 'category', places: [{ level: 'family' }] };
  if (!label)
    return { ...base, remedies: [typed], code: 'category.choose', key: 'category', params: { account: name } };
  const such = { channel, category: String(sellerCategory) };
  const likely = proposeCategories(registry, sellerCategory, rulebook).map((one): Remedy => ({
    kind: 'categoryMap',
    ...such,
    ...one,
  }));
  // What is likely need not be right: every place of the channel can be chosen.
  const choices = rulebook.categories.map(({ id, label: name }) => ({ id, label: name }));
  const all: Remedy[] = choices.length > likely.length ? [{ kind: 'choosePlace', ...such, choices }] : [];
  const remedies = [...likely, ...all];
  return { ...base, remedies, code: 'category.none', key: 'categoryMap', params: { account: name, category: label } };
}
