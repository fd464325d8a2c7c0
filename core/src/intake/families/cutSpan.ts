/** A colour of a name made shorter: what is left of it says itself. */
import { colourKey } from '../options/colourWords';
import type { OptionRead } from '../options/readOptions';
import type { Item } from './shape';

/** The colour from one token to another, with the key of the words that are left. */
export function cutSpan(item: Item, span: OptionRead, from: number, to: number): OptionRead {
  return { ...span, from, to, key: colourKey(item.tokens.slice(from, to)), label: undefined };
}
