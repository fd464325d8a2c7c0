/** Columns that are called "Option 1" or "Variant": what they mean is seen family by family, by what stands in them. */
import { ROLES, type Role } from '../../family/shape';
import { ROLE_LABELS } from '../../registry/roles';
import type { OptionReader } from '../options/readOptions';
import { MEASURES_AND_PACKS } from '../options/shape';
import { hasLegs } from '../options/goodsWords';
import { tokensOf } from '../options/tokens';
import { put } from '../filing';
import { stemWords } from './nameStems';
import { isGenericOption } from '../table/headerWords';
import type { Item } from './shape';

type Given = Item['given'][number];

/** Whether nothing but the cells says which kind of option it is. */
const isOpen = ({ isGuessed, role, label }: Given): boolean =>
  isGuessed === true || (role === 'other' && isGenericOption(label));

/** Such a share of the words of a column tells what the others are. */
const TELLING = 0.3;

/** What such columns mostly hold, by all values of the list: a word nobody knows below "Option" is a colour, where the others are. */
export function rolesOfColumns(items: readonly Item[], options: OptionReader): Map<string, Role> {
  const values = new Map<string, Set<string>>();
  for (const { given } of items) for (const one of given) if (isOpen(one)) put(values, one.axis, one.text);
  const roles = new Map<string, Role>();
  for (const [axis, texts] of values) {
    const counts = new Map<Role, number>();
    // What is measured is known when it is seen: a word nobody knows is none of it.
    let words = 0;
    for (const text of texts) {
      const role = options.whole(tokensOf(text))?.roles[0];
      if (role && MEASURES_AND_PACKS.has(role)) continue;
      words += 1;
      if (role) counts.set(role, (counts.get(role) ?? 0) + 1);
    }
    const [best, second] = [...counts].sort((a, b) => b[1] - a[1]);
    if (best && best[1] >= words * TELLING && best[1] > (second?.[1] ?? 0) * 4) roles.set(axis, best[0]);
  }
  return roles;
}

/**
 * Gives the options of such columns their role, where most values of a family are of one that it has not got otherwise.
 * @param usual what each such column mostly holds
 */
export function settleGiven(items: readonly Item[], options: OptionReader, usual: ReadonlyMap<string, Role>): void {
  takeLegsForSizes(items);
  const open = new Map<string, { role: Role; texts: Set<string> }>();
  const taken = new Set<Role>();
  for (const { given } of items)
    for (const one of given) {
      const { axis, role, text } = one;
      if (!isOpen(one)) taken.add(role);
      else if (open.has(axis)) open.get(axis)!.texts.add(text);
      else open.set(axis, { role, texts: new Set([text]) });
    }
  const roles = new Map<string, Role>();
  for (const [axis, { role: guessed, texts }] of open) {
    const role =
      roleOf([...texts], guessed, options, taken) ?? usualRole(usual.get(axis), [...texts], options, taken) ?? guessed;
    if (role !== guessed) roles.set(axis, role);
    taken.add(role);
  }
  if (roles.size === 0) return;
  for (const item of items)
    item.given = item.given.map((one) => {
      const role = roles.get(one.axis);
      return role ? { ...one, axis: role, role, label: ROLE_LABELS[role], isGuessed: true } : one;
    });
}

/** "32L" of trousers is a size, whatever else is written so. */
function takeLegsForSizes(items: readonly Item[]): void {
  const isLeg = ({ role, text }: Item['given'][number]) => role === 'volume' && /^\d\d\s?L$/i.test(text);
  if (!items[0]!.given.some(isLeg) || !items.every((item) => stemWords(item).some(({ text }) => hasLegs(text)))) return;
  for (const item of items)
    item.given = item.given.map((one) =>
      isLeg(one) ? { ...one, axis: 'size', role: 'size', label: ROLE_LABELS.size } : one,
    );
}

/** What the column mostly holds, where no value says that it holds something else here. */
function usualRole(
  usual: Role | undefined,
  texts: readonly string[],
  options: OptionReader,
  taken: ReadonlySet<Role>,
): Role | null {
  if (usual === undefined || taken.has(usual)) return null;
  const isElse = (text: string) => options.whole(tokensOf(text))?.roles.includes(usual) === false;
  return texts.some(isElse) ? null : usual;
}

/** The role that more than half of some values may have; the one that was guessed, if they may have that. */
function roleOf(texts: readonly string[], guessed: Role, options: OptionReader, taken: ReadonlySet<Role>): Role | null {
  const counts = new Map<Role, number>();
  for (const text of texts)
    for (const role of options.whole(tokensOf(text))?.roles ?? []) counts.set(role, (counts.get(role) ?? 0) + 1);
  const free = ROLES.filter(
    (role) => role !== 'other' && !taken.has(role) && (counts.get(role) ?? 0) * 2 > texts.length,
  );
  if (free.includes(guessed)) return guessed;
  return free.sort((a, b) => counts.get(b)! - counts.get(a)!)[0] ?? null;
}
