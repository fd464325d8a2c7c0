/** What differs between two fits of a family to an account: under other rules, or after a change. */
import type { Fit, FitState } from './context';
import { findingId, type Finding } from './finding';

export interface FitDifference {
  /** Before and after. */
  state: readonly [FitState, FitState];
  /** Findings that are there after and were not before. */
  gained: Finding[];
  lost: Finding[];
  listings: readonly [number, number];
  /** Live listings that would be taken down and made again, more than before. */
  remade: number;
  /** The options of the listings are others: other axes, joined or split otherwise. */
  isReshaped: boolean;
  /** Options that are called otherwise, where the axes stay as they are. */
  relabelled: number;
}

/** The difference; null where both fits say the same. */
export function fitDifference(before: Fit, after: Fit): FitDifference | null {
  const idsBefore = new Set(before.findings.map(findingId));
  const idsAfter = new Set(after.findings.map(findingId));
  const isReshaped = before.plan?.signature !== after.plan?.signature;
  const difference: FitDifference = {
    state: [before.state, after.state],
    gained: after.findings.filter((finding) => !idsBefore.has(findingId(finding))),
    lost: before.findings.filter((finding) => !idsAfter.has(findingId(finding))),
    listings: [before.plan?.cost.listings ?? 0, after.plan?.cost.listings ?? 0],
    remade: Math.max(0, (after.plan?.cost.remade ?? 0) - (before.plan?.cost.remade ?? 0)),
    isReshaped,
    relabelled: isReshaped ? 0 : relabelled(before, after),
  };
  const { state, gained, lost, listings, remade } = difference;
  const isSame = state[0] === state[1] && listings[0] === listings[1] && gained.length + lost.length + remade === 0;
  return isSame && !isReshaped && difference.relabelled === 0 ? null : difference;
}

function relabelled(before: Fit, after: Fit): number {
  const labels = new Map(
    before.plan?.axes.flatMap((axis, at) => axis.options.map(({ key, label }) => [`${at} ${key}`, label])),
  );
  const options = after.plan?.axes.flatMap((axis, at) => axis.options.map(({ key, label }) => [`${at} ${key}`, label]));
  return (options ?? []).filter(([key, label]) => labels.has(key!) && labels.get(key!) !== label).length;
}
