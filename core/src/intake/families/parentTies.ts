/** What ties rows to the row or line of their parent: its numbers, or the block they stand in. */
import { codeKey } from './codeKey';
import type { RowItems } from './rowItems';
import type { Item } from './shape';

type Parent = RowItems['parents'][number];

const ties = (codes: readonly string[], block: number | null): string[] =>
  [...codes, block === null ? '' : `block ${block}`].filter((tie) => tie !== '');

export const tiesOfRow = ({ belongs, style, block }: Pick<Item, 'belongs' | 'style' | 'block'>): string[] =>
  ties([codeKey(belongs), codeKey(style)], block);
export const tiesOfParent = ({ refs, block }: Parent): string[] => ties(refs, block);
