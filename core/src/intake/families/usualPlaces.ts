/**
 * Where the names of a list have their colours and sizes. "Merino Socks Charcoal" of one colour alone, beside jackets whose colours follow
 * their names, are socks in charcoal; where no other goods have colours there the word is one of the name.
 */
import type { Role } from '../../family/shape';
import type { OptionRead } from '../options/readOptions';
import type { Cluster } from './clusters';
import { stemWords } from './nameStems';
import type { Item } from './shape';

/** Whether an option that all these rows have alike in their names stands where others of the list have theirs. */
export type IsUsual = (items: readonly Item[], role: Role) => boolean;

/** So many families at least say where an option stands. */
const FAMILIES = 2;

/** Looks at all families that have several values in their names. */
export function usualPlaces(clusters: readonly Cluster[]): IsUsual {
  const differing = new Map<string, number>();
  const all = new Map<Role, number>();
  const count = <K>(counts: Map<K, number>, key: K) => counts.set(key, (counts.get(key) ?? 0) + 1);
  for (const { items } of clusters)
    for (const role of ROLES_ASKED_FOR) {
      const spans = items.map((item) => spanOf(item, role));
      if (items.length < 2 || spans.includes(undefined)) continue;
      count(all, role);
      const isDiffering = new Set(spans.map((span) => span!.key)).size > 1;
      if (isDiffering) count(differing, `${role} ${placeOf(items[0]!, spans[0]!)}`);
    }
  return (items, role) => {
    const spans = items.map((item) => spanOf(item, role));
    if (spans.includes(undefined)) return false;
    const [place, ...others] = items.map((item, at) => placeOf(item, spans[at]!));
    const families = differing.get(`${role} ${place}`) ?? 0;
    return others.every((other) => other === place) && families >= FAMILIES && families * 2 >= (all.get(role) ?? 0);
  };
}

/** Channels ask for these, though there be one only. */
const ROLES_ASKED_FOR: readonly Role[] = ['colour', 'size'];

const spanOf = ({ spans }: Item, role: Role): OptionRead | undefined => spans.find(({ roles }) => roles[0] === role);

function placeOf(item: Item, { from, to }: OptionRead): 'before' | 'after' | 'between' {
  const words = stemWords(item);
  if (words.every(({ at }) => at < from)) return 'after';
  return words.every(({ at }) => at >= to) ? 'before' : 'between';
}
