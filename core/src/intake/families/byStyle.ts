/** Style codes: rows of one code are one family, whatever their names; one name under several codes may be several. */
import { stemOf } from '../../pictures/match/catalogue';
import { codeKey } from './codeKey';
import { clusterOf, type Cluster } from './clusters';
import { push } from '../filing';
import { isBeside } from './joinCandidates';
import type { Item } from './shape';
import { crossingOf, weaveRows, type ReadValue } from './weaves';

/** Splits and joins clusters by the style codes of their rows. */
export function joinByStyle(clusters: readonly Cluster[], read: ReadValue): Cluster[] {
  const held = clusters.filter((cluster) => cluster.isGiven);
  const soft = clusters.filter((cluster) => !cluster.isGiven).flatMap((cluster) => splitByStyle(cluster, read));
  const rows = soft.reduce((sum, { items }) => sum + items.length, 0);
  const styles = new Set(soft.flatMap(({ items }) => items.map(({ style }) => codeKey(style))).filter(Boolean));
  if (styles.size === 0 || styles.size > rows * 0.9) return [...held, ...soft];
  const owner = new Map<string, Cluster>();
  const kept: Cluster[] = [];
  for (const cluster of soft.toSorted((a, b) => b.items.length - a.items.length)) {
    const keys = stylesOf(cluster.items);
    const into = keys.map((key) => owner.get(key)).find((one) => one !== undefined && belongsTo(cluster, one));
    if (into) {
      for (const item of cluster.items) into.items.push(item);
      into.isGiven = true;
    } else kept.push(cluster);
    for (const key of keys) if (!owner.has(key)) owner.set(key, into ?? cluster);
  }
  for (const cluster of kept) {
    const keys = stylesOf(cluster.items);
    if (keys.length === 1 && cluster.items.length > 1 && cluster.items.every(({ style }) => style !== ''))
      cluster.bonds = [...cluster.bonds, { by: 'style', code: cluster.items[0]!.style }];
  }
  return [...held, ...kept];
}

const stylesOf = (items: readonly Item[]): string[] => [
  ...new Set(items.flatMap((item) => (item.style === '' ? [] : [`${item.brandKey}|${codeKey(item.style)}`]))),
];

/** A care kit under the jacket's code is no jacket, and names of one family have a word in common. */
function belongsTo(cluster: Cluster, into: Cluster): boolean {
  const words = new Set(into.words.map(stemOf));
  const isNamed = cluster.words.length > 0 && into.words.length > 0;
  if (isNamed && !cluster.words.some((word) => words.has(stemOf(word)))) return false;
  const isOther = cluster.items.some(isBeside) && !into.items.some(isBeside);
  const hasOptions = cluster.items.some(({ spans, given }) => spans.length + given.length > 0);
  return !isOther || hasOptions;
}

/** One name under several codes stays together where each code is a colour of it, and no crossing stands twice. */
function splitByStyle(cluster: Cluster, read: ReadValue): Cluster[] {
  const byStyle = new Map<string, Item[]>();
  for (const item of cluster.items) push(byStyle, codeKey(item.style), item);
  if (byStyle.size < 2 || byStyle.has('') || byStyle.size > cluster.items.length * 0.9) return [cluster];
  const woven = weaveRows(cluster.items, read);
  const crossings = new Set(woven.variants.map((variant) => crossingOf(variant, woven.axes)));
  const isClash = crossings.size < woven.variants.length;
  const isColourEach = woven.axes.some(({ key }) => {
    const values = [...byStyle.values()].map((items) => {
      const some = new Set(items);
      return new Set(woven.variants.filter(({ item }) => some.has(item)).map(({ at }) => at.get(key)?.key ?? ''));
    });
    return (
      values.every((one) => one.size === 1 && !one.has('')) &&
      new Set(values.map((one) => [...one][0])).size === values.length
    );
  });
  if (!isClash && isColourEach) return [cluster];
  return [...byStyle.values()].map((items) => ({ ...clusterOf(items), bonds: cluster.bonds }));
}
