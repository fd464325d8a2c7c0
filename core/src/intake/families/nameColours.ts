/** Colours that goods are called by: "Blue Harbour Smock thrift" is no smock in blue, as other names of the list tell that have a colour besides. */
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
 * Learns such phrases from rows that are settled: those that went back into names which have another colour, and are an option nowhere.
 * @returns takes them out of the options of rows that have no other colour; gives whether there were any
 */
export function openNameColours(groups: Iterable<readonly Item[]>): (items: readonly Item[]) => boolean {
  const names = new Set<string>();
  const options = new Map<string, Set<string>>();
  for (const items of groups)
    for (const item of items) {
      const colour = item.spans.find(isColour);
      if (!colour) continue;
      for (const span of item.read)
        if (
          isColour(span) &&
          span.to <= colour.from &&
          !item.spans.some(({ from, to }) => span.from < to && span.to > from)
        )
          names.add(phraseOf(item, span));
      // "Blue Harbour", "Green Harbour": what changes before the same word is an option.
      put(options, item.tokens[colour.to]?.text ?? '', colour.key);
    }
  const isName = (item: Item, span: OptionRead) =>
    names.has(phraseOf(item, span)) && (options.get(item.tokens[span.to]?.text ?? '')?.size ?? 0) < 2;
  return (items) => {
    if (names.size === 0) return false;
    const found = items.map((item) => item.spans.filter(isColour));
    const areNames = found.every((spans, at) => spans.length === 1 && isName(items[at]!, spans[0]!));
    if (areNames) items.forEach((item) => (item.spans = item.spans.filter((span) => !isColour(span))));
    return areNames;
  };
}
