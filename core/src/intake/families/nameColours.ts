/** Colours that goods are called by: "Blue Harbour Smock" is none in blue, as names of the list tell that have a colour besides. */
import type { OptionRead } from '../options/shape';
import { put } from '../filing';
import type { Item } from './shape';

const isColour = ({ roles }: OptionRead): boolean => roles[0] === 'colour';

/** A colour as it stands in a name, with the word after it. */
const phraseOf = ({ tokens }: Item, { from, to }: OptionRead): string => {
  let phrase = '';
  for (let at = from; at <= to && at < tokens.length; at++) phrase += `${tokens[at]!.text} `;
  return phrase;
};

/**
 * Learns such phrases from rows that are settled: what went back into names with another colour, and is an option nowhere.
 * @returns puts them back into names that have no other colour; gives whether there were any
 */
export function openNameColours(groups: Iterable<readonly Item[]>): (items: readonly Item[]) => boolean {
  const words = new Set<string>();
  const options = new Map<string, Set<string>>();
  for (const items of groups)
    for (const item of items) {
      const colour = item.spans.find(isColour);
      if (!colour) continue;
      for (const span of item.read) {
        if (!span.roles.includes('colour')) continue;
        const over = item.spans.find(({ from, to }) => span.from < to && span.to > from);
        if (!over && span.to <= colour.from) words.add(phraseOf(item, span));
        // "Rust Peach Tree Shirt", of which the colour is rust.
        if (over && over.to < span.to) words.add(phraseOf(item, { ...span, from: over.to }));
      }
      // "Blue Harbour", "Green Harbour": what changes before the same word is an option.
      put(options, item.tokens[colour.to]?.text ?? '', item.tokens[colour.to - 1]!.text);
    }
  const isWord = (item: Item, span: OptionRead): boolean =>
    words.has(phraseOf(item, span)) && (options.get(item.tokens[span.to]?.text ?? '')?.size ?? 0) < 2;
  return (items) => {
    if (words.size === 0) return false;
    const areWords = items.every((item) => {
      const [colour, another] = item.spans.filter(isColour);
      return colour && !another && isWord(item, colour);
    });
    if (areWords) for (const item of items) item.spans = withoutColour(item);
    return areWords;
  };
}

/** The options of a name without the one that is no colour; what could not be a colour beside it may be one now. */
function withoutColour({ spans, read }: Item): OptionRead[] {
  const others = spans.filter((span) => !isColour(span));
  const free = read.filter(
    (span) => span.roles.includes('colour') && !spans.some(({ from, to }) => span.from < to && span.to > from),
  );
  return [...others, ...free].sort((a, b) => a.from - b.from);
}
