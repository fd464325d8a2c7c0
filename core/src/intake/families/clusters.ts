/** Rows whose names have the same stem, after what looked like an option and is a word of the name has gone back into it. */
import { codeKey } from './codeKey';
import { push } from '../filing';
import { isBySeller } from './settlement';
import { openNameColours } from './nameColours';
import { stemKey, stemWords } from './nameStems';
import { settleSpans } from './settleSpans';
import { sizeNumbersOf } from './weakSizes';
import type { Bond, Item } from './shape';

export interface Cluster {
  items: Item[];
  brand: string;
  /** Words of the stem that its first row has. */
  words: string[];
  /** Held together by what the list says, whatever the names. */
  isGiven: boolean;
  bonds: Bond[];
}

/** So many times at most what was put back is looked at anew. */
const ROUNDS = 3;

/** Clusters the rows. Spans of items are settled on the way. */
export function clusterRows(items: readonly Item[]): Cluster[] {
  const given = new Map<string, Item[]>();
  const soft: Item[] = [];
  for (const item of items) {
    const key = isBySeller(item) ? item.belongs : codeKey(item.belongs);
    if (key === '') soft.push(item);
    else push(given, key, item);
  }
  const groups = new Map<string, Item[]>();
  for (const item of soft) push(groups, keyOf(item), item);
  const numbers = sizeNumbersOf([...groups.values()]);
  const regroup = (keys: Iterable<string>, work: (some: readonly Item[]) => boolean): Set<string> => {
    const changed = new Set<string>();
    for (const key of [...keys]) {
      const some = groups.get(key);
      if (!some || !work(some)) continue;
      groups.delete(key);
      for (const item of some) {
        const next = keyOf(item);
        changed.add(next);
        push(groups, next, item);
      }
    }
    return changed;
  };
  const settle = (some: readonly Item[]) => settleSpans(some, numbers);
  // What goes back into a name makes other stems, which may show more.
  let looked: Iterable<string> = groups.keys();
  for (let round = 0; round < ROUNDS; round++) {
    const changed = regroup(looked, settle);
    if (round === 0) for (const key of regroup(groups.keys(), openNameColours(groups.values()))) changed.add(key);
    if (changed.size === 0) break;
    looked = changed;
  }
  const clusters = [...groups.values()].map(clusterOf);
  const held = [...given.values()].map((some): Cluster => {
    settleSpans(some, numbers);
    const bond: Bond = isBySeller(some[0]!) ? { by: 'seller' } : { by: 'parent', ref: some[0]!.belongs };
    return { ...clusterOf(some), isGiven: true, bonds: [bond] };
  });
  return [...held, ...clusters];
}

export const clusterOf = (items: Item[]): Cluster => ({
  items,
  brand: items[0]!.brandKey,
  words: stemWords(items[0]!).map(({ text }) => text),
  isGiven: false,
  bonds: [],
});

const keyOf = (item: Item): string => {
  const stem = stemKey(item);
  return `${item.brandKey}|${stem === '' ? `#${codeKey(item.style)}#${item.name === '' ? item.row : ''}` : stem}`;
};
