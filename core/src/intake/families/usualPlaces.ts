/**
 * Where the names of a list have their colours and sizes. "Merino Socks Charcoal" of one colour alone, beside jackets whose colours follow
 * their names, are socks in charcoal; where no other goods have colours there the word is one of the name.
 */
import type { Role } from '../../family/shape';
import { MEASURES, type OptionRead } from '../options/shape';
import type { Cluster } from './clusters';
import { put } from '../filing';
import { stemWords } from './nameStems';
import type { Item } from './shape';

/** Whether an option that all these rows have alike in their names stands where others of the list have theirs. */
export type IsUsual = (items: readonly Item[], role: Role) => boolean;

export type Place = 'before' | 'after' | 'between';

/** So many families at least say where an option stands. */
const FAMILIES = 2;

/** Looks at all families that have several values in their names. */
export function usualPlaces(clusters: readonly Cluster[]): {
  isUsual: IsUsual;
  /** Whether options of a role mostly stand at a place in the names of this list. */
  isUsualPlace: (role: Role, place: Place) => boolean;
} {
  const differing = new Map<string, number>();
  const sure = new Map<string, number>();
  const values = new Map<string, Set<string>>();
  const all = new Map<Role, number>();
  const count = <K>(counts: Map<K, number>, key: K) => counts.set(key, (counts.get(key) ?? 0) + 1);
  for (const { items } of clusters)
    for (const role of ROLES_ASKED_FOR) {
      const first = spanOf(items[0]!, role);
      if (items.length < 2 || !first || !items.every((item) => spanOf(item, role))) continue;
      count(all, role);
      const isDiffering = items.some((item) => spanOf(item, role)!.key !== first.key);
      const place = `${role} ${placeOf(items[0]!, first)}`;
      if (isDiffering) {
        count(differing, place);
        for (const item of items) put(values, place, spanOf(item, role)!.key);
      }
      if (isDiffering || !first.isWeak) count(sure, place);
    }
  const isMost = (counts: ReadonlyMap<string, number>, role: Role, place: Place | undefined) => {
    const families = counts.get(`${role} ${place}`) ?? 0;
    return families >= FAMILIES && families * 2 >= (all.get(role) ?? 0);
  };
  const isUsual: IsUsual = (items, role) => {
    const first = spanOf(items[0]!, role);
    if (!first || !items.every((item) => spanOf(item, role))) return false;
    const place = placeOf(items[0]!, first);
    if (items.some((item) => placeOf(item, spanOf(item, role)!) !== place)) return false;
    // One family is enough that has this very value there among others.
    if (values.get(`${role} ${place}`)?.has(first.key)) return true;
    return isMost(differing, role, place) || (MEASURES.has(role) && isMost(differing, 'size', place));
  };
  return { isUsual, isUsualPlace: (role, place) => isMost(sure, role, place) };
}

/** Channels ask for these, or for what measures instead of a size, though there be one only. */
const ROLES_ASKED_FOR: readonly Role[] = ['colour', 'size', 'length', 'volume'];

const spanOf = ({ spans }: Item, role: Role): OptionRead | undefined => spans.find(({ roles }) => roles[0] === role);

function placeOf(item: Item, { from, to }: OptionRead): Place {
  const words = stemWords(item);
  if (words.every(({ at }) => at < from)) return 'after';
  return words.every(({ at }) => at >= to) ? 'before' : 'between';
}
