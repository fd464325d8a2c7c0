/**
 * What accounts ask for of the families that leave: by the categories these go to, not by what holds for all
 * goods of a channel.
 */
import { mappedCategory } from '@loom-kin/core/catalogue';
import type { Need, Wanted } from '@loom-kin/core/export';
import type { Catalogue } from '../store/readCatalogue';

const RANK: Record<Need, number> = { optional: 0, recommended: 1, required: 2 };

/**
 * The needs of each account.
 * @param categories those of the families, each once; a field counts as required where one of them requires it
 */
export function wantedBy(catalogue: Catalogue, categories: readonly string[]): Wanted[] {
  const { registry, accounts, rulebooks, categoryMaps } = catalogue;
  return accounts.flatMap(({ name, channel }) => {
    const book = rulebooks.get(channel);
    if (!book) return [];
    const theirs = new Set(categories.flatMap((id) => mappedCategory(registry, categoryMaps[channel] ?? {}, id) ?? []));
    const needs = new Map<string, Need>();
    for (const id of theirs)
      for (const { key, need } of book.category(id)?.rules.fields ?? [])
        if (RANK[need] > RANK[needs.get(key) ?? 'optional']) needs.set(key, need);
    return [{ account: name, needs }];
  });
}
