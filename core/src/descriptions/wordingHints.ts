/** What the hints about a text say. */
import type { WordingHint } from '../wording/hints';
import { listed } from '../text/counts';

export function wordingHintText(hint: WordingHint): string {
  switch (hint.code) {
    case 'shouting':
      return `${listed(hint.words.slice(0, 3))} in capitals: it reads as shouting, and several channels refuse it.`;
    case 'link':
      return 'Holds a link: most channels refuse texts that lead elsewhere.';
    case 'option-values':
      return `Holds ${listed(hint.values)}: options are added for each child.`;
    case 'empty-praise':
      return `"${hint.phrases[0]!}" can be said of any product. Say what is so of this one.`;
  }
}
