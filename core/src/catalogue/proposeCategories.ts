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
const FILLING = new Set(['and', 'for', 'the', 'of', 'other', 'all', 'wear']);

/** The channel's categories that share words with the seller's, the likeliest first. The seller's own name counts twice what stands above it does. */
export function proposeCategories(registry: Registry, sellerCategory: unknown, rulebook: Rulebook): CategoryProposal[] {
  const path = registry.path(sellerCategory).map((category) => category.label);
  const own = wordsOf(path.at(-1) ?? '');
  const above = wordsOf(path.slice(0, -1).join(' '));
  const scored = rulebook.categories.map(({ id, label }) => {
    const words = wordsOf(`${label} ${id}`);
    const shared = (some: ReadonlySet<string>) => [...some].filter((word) => words.has(word)).length;
    return { to: id, label, score: 2 * shared(own) + shared(above) };
  });
  return scored
    .filter((one) => one.score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, AT_MOST)
    .map(({ to, label }) => ({ to, label }));
}

/** Words without their plural ending. */
function wordsOf(text: string): Set<string> {
  const words = text.toLowerCase().match(/\p{L}{3,}/gu) ?? [];
  return new Set(
    words.filter((word) => !FILLING.has(word)).map((word) => word.replace(/ies$/, 'y').replace(/([^s])s$/, '$1')),
  );
}
