/** What ties rows to the row or line of their parent: its numbers, or the block they stand in. */
import { codeKey } from './codeKey';
import type { Item, ParentRow } from './shape';

const ties = (codes: readonly string[], block: number | null): string[] =>
  [...codes, block === null ? '' : `block ${block}`].filter((tie) => tie !== '');

export const tiesOfRow = ({
  belongs,
  style,
  block,
  name,
}: Pick<Item, 'belongs' | 'style' | 'block' | 'name'>): string[] =>
  ties([codeKey(belongs), codeKey(style), byName(name)], block);
export const tiesOfParent = ({ refs, block }: ParentRow): string[] => ties(refs, block);

const byName = (name: string): string => (name === '' ? '' : `name ${codeKey(name)}`);

/** Parents whose numbers no row has are those of the rows that are called as they are. */
export function tieByName(parents: readonly ParentRow[], items: readonly Item[]): void {
  if (parents.length === 0) return;
  const known = new Set(items.flatMap(tiesOfRow));
  for (const parent of parents)
    if (!tiesOfParent(parent).some((tie) => known.has(tie))) parent.refs.push(byName(parent.name));
}
