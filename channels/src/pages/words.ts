/** Channels have their own words for the name and for the text of goods. */
import type { Goods } from '../goods';

const said = (goods: Goods, names: readonly string[]): string | undefined =>
  names.map((name) => goods.fields[name]).find((figure) => typeof figure === 'string' && figure !== '') as
    string | undefined;

export const titleOf = (goods: Goods): string =>
  said(goods, ['Title', 'Name', 'Name of goods', 'Product name', 'Article name']) ?? goods.key;

export const textOf = (goods: Goods): string =>
  said(goods, ['Text', 'Story', 'Description', 'Detail', 'Details', 'About']) ?? '';
