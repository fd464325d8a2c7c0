/** Clusters that turn out to be one: which went into which, and what is in doubt of their rows. */
import type { Cluster } from './clusters';
import type { Doubt } from './shape';

export interface Joined {
  clusters: Cluster[];
  doubts: Map<Cluster, Doubt[]>;
}

/** Begins with every cluster by itself. */
export function openJoining() {
  const wentInto = new Map<Cluster, Cluster>();
  const doubts = new Map<Cluster, Doubt[]>();
  const find = (cluster: Cluster): Cluster => {
    const into = wentInto.get(cluster);
    return into ? find(into) : cluster;
  };
  return {
    /** The cluster that one is part of by now. */
    find,
    join(into: Cluster, from: Cluster): void {
      const [a, b] = [find(into), find(from)];
      if (a === b) return;
      for (const item of b.items) a.items.push(item);
      a.bonds = [...a.bonds, ...b.bonds.filter((bond) => !a.bonds.some((one) => one.by === bond.by))];
      wentInto.set(b, a);
    },
    doubt(cluster: Cluster, some: readonly Doubt[]): void {
      doubts.set(cluster, [...(doubts.get(cluster) ?? []), ...some]);
    },
    /** What is left of all clusters, values as the list has them, doubts with the cluster that they went into. */
    end(clusters: readonly Cluster[]): Joined {
      const found = new Map<Cluster, Doubt[]>();
      for (const [cluster, some] of doubts) found.set(find(cluster), [...(found.get(find(cluster)) ?? []), ...some]);
      for (const cluster of wentInto.values()) find(cluster).items.sort((a, b) => a.row - b.row);
      return { clusters: clusters.filter((cluster) => !wentInto.has(cluster)), doubts: found };
    },
  };
}
