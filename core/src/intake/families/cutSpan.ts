/** A colour of a name made shorter: what is left of it says itself. */
import { colourKey } from '../options/colourWords';
import type { OptionRead } from '../options/shape';
import type { Item } from './shape';

/** The colour from one token to another, with the key of the words that are left. */
export function cutSpan(item: Item, span: OptionRead, start: number, to: number): OptionRead {
  let from = start;
  while (item.tokens[from]?.kind === 'sign') from += 1;
  return { ...span, from, to, key: colourKey(item.tokens.slice(from, to)), label: undefined };
}
