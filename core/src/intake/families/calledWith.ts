/** Colours that names go on from: "Green Man Shirt", and no "Green Shirt". */
import { isGoods } from '../options/goodsWords';
import type { OptionRead } from '../options/shape';
import type { Item } from './shape';

/** Whether a word follows that is neither goods nor an option. */
export function isCalledWith({ tokens, spans }: Item, { to }: OptionRead): boolean {
  const next = tokens[to];
  return next?.kind === 'word' && !isGoods(next.text) && !spans.some(({ from }) => from === to);
}
