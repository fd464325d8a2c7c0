/** What clusters say of themselves by all of their rows: looked at for every pair, worked out once until they change. */
import { compact } from '../../text/letters';
import type { CodeHeads } from './codeHeads';
import { codeKey } from './codeKey';
import type { Cluster } from './clusters';
import { put } from '../filing';
import type { Item } from './shape';

export interface ClusterFacts {
  /** Role → the values that its rows have, in columns and in names. */
  roles: ReadonlyMap<string, ReadonlySet<string>>;
  /** Its style codes, what those have in common, and what its SKUs have; '' among them where some row has none. */
  styles: ReadonlySet<string>;
  styleHeads: ReadonlySet<string>;
  skuHeads: ReadonlySet<string>;
  /** The price in the middle; none where no row has one. */
  price: number | null;
}

/** Opens the facts of clusters. */
export function openFacts(heads: CodeHeads, styleHeads: CodeHeads) {
  const known = new Map<Cluster, ClusterFacts>();
  const read = ({ items }: Cluster): ClusterFacts => ({
    roles: rolesIn(items),
    styles: new Set(items.map(({ style }) => codeKey(style))),
    styleHeads: new Set(items.map((item) => styleHeads.headOf(item))),
    skuHeads: new Set(items.map((item) => heads.headOf(item))),
    price: middlePrice(items),
  });
  return {
    of(cluster: Cluster): ClusterFacts {
      let facts = known.get(cluster);
      if (!facts) known.set(cluster, (facts = read(cluster)));
      return facts;
    },
    /** A cluster has other rows now, or its rows other options. */
    forget: (cluster: Cluster): boolean => known.delete(cluster),
  };
}

function rolesIn(items: readonly Item[]): Map<string, Set<string>> {
  const roles = new Map<string, Set<string>>();
  for (const item of items) {
    for (const { role, text, key } of item.given) put(roles, role, key ?? compact(text));
    for (const span of item.spans) put(roles, span.roles[0]!, span.key);
    for (const { value } of item.across) put(roles, value.role, value.key ?? compact(value.text));
  }
  return roles;
}

function middlePrice(items: readonly Item[]): number | null {
  const prices = items.flatMap(({ price }) => (price && price > 0 ? [price] : [])).sort((x, y) => x - y);
  return prices[Math.floor(prices.length / 2)] ?? null;
}
