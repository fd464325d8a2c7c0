/** Where goods of one of the seller's categories most likely go on a channel: by the words that both are called by. */
import type { Rulebook } from '../rulebook/shape';
import type { Registry } from '../registry/openRegistry';

export interface CategoryProposal {
  /** The channel's category. */
  to: string;
  label: string;
}

const AT_MOST = 3;
/** Words that say nothing of what goods are. */
const FILLING = new Set(['and', 'for', 'the', 'of', 'other', 'all']);

/** The channel's categories that share words with the seller's, the likeliest first; its only one, or the one that takes anything, where none does. The seller's own name counts twice what stands above it does. */
export function proposeCategories(registry: Registry, sellerCategory: unknown, rulebook: Rulebook): CategoryProposal[] {
  const path = registry.path(sellerCategory).map((category) => category.label);
  const own = wordsOf(path.at(-1) ?? '');
  const above = wordsOf(path.slice(0, -1).join(' '));
  const scored = rulebook.categories.map(({ id, label }) => {
    const words = wordsOf(`${label} ${id}`);
    const alike = related(own, words) + related(above, words) / 2;
    return { to: id, label, score: 2 * shared(own, words) + shared(above, words) + alike };
  });
  const likely = scored.filter((one) => one.score > 0).sort((a, b) => b.score - a.score);
  const open = rulebook.categories.length === 1 ? rulebook.categories[0] : rulebook.categories.find(takesAnything);
  if (likely.length === 0 && open) return [{ to: open.id, label: open.label }];
  return likely.slice(0, AT_MOST).map(({ to, label }) => ({ to, label }));
}

const takesAnything = (category: Rulebook['categories'][number]): boolean => category.takesAnything;

/** Words that both have, or that are part of each other: "outer" and "outerwear". */
function shared(some: ReadonlySet<string>, others: ReadonlySet<string>): number {
  const isPart = (word: string, other: string) => word.length >= LEAST_PART && other.includes(word);
  return [...some].filter((word) =>
    [...others].some((other) => word === other || isPart(word, other) || isPart(other, word)),
  ).length;
}
const LEAST_PART = 4;

/** Goods that are called by one of these words are mostly put where another of its line is (common practice). */
const RELATED: readonly ReadonlySet<string>[] = [
  ['outerwear', 'outer', 'coat', 'jacket', 'parka', 'rainwear', 'anorak'],
  ['top', 'shirt', 'smock', 'blouse', 'tee'],
  ['knitwear', 'knit', 'jumper', 'sweater', 'cardigan'],
  ['trouser', 'bottom', 'pant', 'jean'],
  ['sock', 'hosiery', 'stocking', 'tights'],
  ['child', 'children', 'kid', 'little', 'small', 'baby'],
  ['pet', 'animal', 'dog', 'cat'],
  ['blanket', 'throw', 'bedding', 'textile', 'linen'],
  ['mug', 'tableware', 'table', 'kitchen', 'cup', 'crockery'],
  ['home', 'household', 'house', 'living'],
].map((words) => new Set(words));

function related(some: ReadonlySet<string>, others: ReadonlySet<string>): number {
  const isIn = (line: ReadonlySet<string>, words: ReadonlySet<string>) => [...words].some((word) => line.has(word));
  return RELATED.filter((line) => isIn(line, some) && isIn(line, others)).length;
}

/** Words without their plural ending. */
function wordsOf(text: string): Set<string> {
  const words = text.toLowerCase().match(/\p{L}{3,}/gu) ?? [];
  return new Set(
    words.filter((word) => !FILLING.has(word)).map((word) => word.replace(/ies$/, 'y').replace(/([^s])s$/, '$1')),
  );
}
