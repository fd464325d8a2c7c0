/** What is said of a text while it is typed: capitals that shout, links, option values in a name, a fact that holds of every product. */
import { hasLink, optionValuesIn } from './findWords';

export type WordingHint =
  | { code: 'shouting'; words: string[] }
  | { code: 'link' }
  | { code: 'option-values'; values: string[] }
  | { code: 'empty-praise'; phrases: string[] };

/** Short words in capitals are abbreviations: GORE, EU, UV. */
const LETTERS_OF_SHOUTING = 5;
const FEW_SHOUTED = 2;

/** Words that are said of every product and tell nothing of this one (common practice). */
const PRAISE = [
  ...['best quality', 'high quality', 'top quality', 'best price', 'great price', 'must have', 'must-have'],
  ...['buy now', 'order now', 'free shipping', 'satisfaction guaranteed', '100% satisfaction', 'click here'],
  ...['check out our', 'look no further', 'welcome to our', 'perfect gift for everyone', 'limited offer'],
];

/**
 * What could be wrong with a text.
 * @param isName whether it is a name, in which options have no place
 * @param labels the labels of the family's values
 */
export function wordingHints(
  text: string,
  { isName, labels }: { isName: boolean; labels: readonly string[] },
): WordingHint[] {
  const hints: WordingHint[] = [];
  const shouted = shoutedWords(text);
  if (shouted.length > 0) hints.push({ code: 'shouting', words: shouted });
  if (hasLink(text)) hints.push({ code: 'link' });
  const values = isName ? optionValuesIn(text, labels) : [];
  if (values.length > 0) hints.push({ code: 'option-values', values });
  const folded = text.toLowerCase().replace(/\s+/g, ' ');
  const phrases = PRAISE.filter((phrase) => folded.includes(phrase));
  if (phrases.length > 0) hints.push({ code: 'empty-praise', phrases });
  return hints;
}

/** Words in capitals, where they are long, or several stand together. */
function shoutedWords(text: string): string[] {
  const words = text.match(/[\p{L}\p{N}’'-]+/gu) ?? [];
  const isShouted = (word: string) => /^[\p{Lu}’'-]{2,}$/u.test(word) && /\p{Lu}/u.test(word);
  const long = words.filter((word) => isShouted(word) && word.length >= LETTERS_OF_SHOUTING);
  if (long.length > 0) return [...new Set(long)];
  const runs = words.filter(
    (word, at) => isShouted(word) && (isShouted(words[at + 1] ?? '') || isShouted(words[at - 1] ?? '')),
  );
  return runs.length > FEW_SHOUTED ? [...new Set(runs)] : [];
}
