/** An option of a name made shorter: what is left of it says itself. */
import type { OptionRead } from '../options/readOptions';
import type { Item } from './shape';

/** The span from one token to another, with the key of the words that are left. */
export function cutSpan(item: Item, span: OptionRead, from: number, to: number): OptionRead {
  const words = item.tokens.slice(from, to).filter((token) => token.kind !== 'sign');
  return { ...span, from, to, key: words.map((token) => token.text).join(''), label: undefined };
}
