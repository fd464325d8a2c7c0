/**
 * Goods whose last word colours are called by as well: "Water Bottle Green" is a bottle in green, where "Water Bottle
 * Navy" is in navy.
 */
import { isGoods } from '../options/goodsWords';
import { LONGEST_READ } from '../options/readOptions';
import type { OptionRead } from '../options/shape';
import type { Item } from './shape';

/** The words of a name up to a place, one after the other. */
const headOf = ({ tokens }: Item, end: number): string =>
  tokens
    .slice(0, end)
    .map(({ text }) => text)
    .join(' ');

/** A colour that begins with a word for goods, with other words of the name before it. */
const mayBeOfGoods = ({ tokens }: Item, { from, to, roles }: OptionRead): boolean =>
  roles[0] === 'colour' &&
  to - from > 1 &&
  from > 0 &&
  tokens[from - 1]!.kind === 'word' &&
  isGoods(tokens[from]!.text);

/** Leaves goods their last word where other names of the list go on after it with something else. */
export function freeGoodsOfColours(items: readonly Item[]): void {
  const asked = items.filter((item) => item.spans.some((span) => mayBeOfGoods(item, span)));
  if (asked.length === 0) return;
  const heads = new Set(
    asked.flatMap((item) =>
      item.spans.filter((span) => mayBeOfGoods(item, span)).map((span) => headOf(item, span.from + 1)),
    ),
  );
  const others = new Set<string>();
  for (const item of items)
    item.tokens.slice(0, LONGEST_READ).forEach(({ text }, at) => {
      if (!isGoods(text) || item.spans.some(({ from, to }) => from <= at && at < to)) return;
      const head = headOf(item, at + 1);
      if (heads.has(head)) others.add(head);
    });
  for (const item of asked)
    item.spans = item.spans.map((span) =>
      mayBeOfGoods(item, span) && others.has(headOf(item, span.from + 1)) ? withoutGoods(item, span) : span,
    );
}

function withoutGoods({ tokens }: Item, span: OptionRead): OptionRead {
  const from = span.from + 1;
  const key = tokens
    .slice(from, span.to)
    .map(({ text }) => text)
    .join('');
  return { ...span, from, key, label: undefined };
}
