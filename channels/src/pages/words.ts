/** Channels have their own words for the name and for the text of goods. */
import type { Goods } from '../goods';
import { isMarkup, linesOf } from '../markup';

const said = (goods: Goods, names: readonly string[]): string | undefined =>
  names.map((name) => goods.fields[name]).find((figure) => typeof figure === 'string' && figure !== '') as
    string | undefined;

export const titleOf = (goods: Goods): string =>
  said(goods, ['Title', 'Name', 'Name of goods', 'Product name', 'Article name']) ?? goods.key;

/** The text as it was sent, with tags where it has any. */
export const sentText = (goods: Goods): string =>
  said(goods, ['Text', 'Story', 'Description', 'Detail', 'Details', 'About']) ?? '';

export function textOf(goods: Goods): string {
  const text = sentText(goods);
  return isMarkup(text) ? linesOf(text) : text;
}
