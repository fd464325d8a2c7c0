/** Words for colours side by side in names, of which one is of the name: "Storm rust jacket", "Rust Peach Tree Shirt". */
import { colourWord, isBeforeColour } from '../options/colourWords';
import type { OptionRead } from '../options/shape';
import { isCalledWith } from './calledWith';
import { cutSpan } from './cutSpan';
import { put } from '../filing';
import type { Item } from './shape';

/** Cuts the word out of the colour that stands beside several others: it is what the goods are called by. */
export function parseCompounds(items: readonly Item[]): void {
  if (items.every(({ spans }) => spans.every((span) => span.to - span.from < 2))) return;
  const names = namesIn(items);
  if (names.first.size + names.last.size === 0) return;
  for (const item of items)
    item.spans = item.spans.map((span) => {
      if (!isCompound(item, span)) return span;
      const words = wordsOf(item, span);
      if (names.first.has(words[0]!.text)) return cutSpan(item, span, item.tokens.indexOf(words[1]!), span.to);
      if (names.last.has(words.at(-1)!.text)) return cutSpan(item, span, span.from, item.tokens.indexOf(words.at(-1)!));
      return span;
    });
}

const wordsOf = (item: Item, span: OptionRead) =>
  item.tokens.slice(span.from, span.to).filter((token) => token.kind === 'word');
const isCompound = (item: Item, span: OptionRead) => span.roles[0] === 'colour' && wordsOf(item, span).length > 1;
/** "Natural/Black" is one colour of two. */
const isHalf = ({ tokens }: Item, at: number) => tokens[at]!.kind === 'sign' && tokens[at]!.text !== '-';

/** Words that stand first or last in several colours. */
function namesIn(items: readonly Item[]): { first: Set<string>; last: Set<string> } {
  const rests = { first: new Map<string, Set<string>>(), last: new Map<string, Set<string>>() };
  // "White Green": no green is called so.
  const odd = new Set<string>();
  for (const item of items)
    for (const span of item.spans) {
      if (!isCompound(item, span)) continue;
      const words = wordsOf(item, span).map(({ text }) => text);
      const [first, last, before] = [words[0]!, words.at(-1)!, words.at(-2)!];
      const mayLead = colourWord(first) === 'thing' && !isBeforeColour(first) && colourWord(words[1]!);
      if (mayLead && !isHalf(item, span.from + 1)) put(rests.first, first, words.slice(1).join(''));
      const isThing = colourWord(last) === 'thing';
      if (!colourWord(before) || isHalf(item, span.to - 2) || !(isThing || isCalledWith(item, span))) continue;
      put(rests.last, last, words.slice(0, -1).join(''));
      if (isThing || (colourWord(before) === 'plain' && !isBeforeColour(before))) odd.add(last);
    }
  const several = (map: ReadonlyMap<string, ReadonlySet<string>>) =>
    [...map].filter(([, others]) => others.size > 1).map(([word]) => word);
  return { first: new Set(several(rests.first)), last: new Set(several(rests.last).filter((word) => odd.has(word))) };
}
