/** The same goods under several headings: "Hoodie, Navy, S" of one house and of another, where no column says whose they are. */
import { compact } from '../../pictures/match/fileWords';
import type { Table } from '../table/shape';
import type { Item } from './shape';

/**
 * Keeps rows apart by the heading they stand below, where goods stand below several at other prices or under other numbers.
 * @param headings places of the lines that are headings, ascending
 */
export function keepHeadedApart(items: readonly Item[], headings: readonly number[], table: Table): void {
  if (headings.length < 2 || items.some(({ brand }) => brand !== '')) return;
  const headed = new Map<Item, string>();
  let next = 0;
  let heading = '';
  for (const item of items) {
    while (next < headings.length && headings[next]! < item.row)
      heading = compact(table[headings[next++]!]!.find((cell) => cell.trim() !== '') ?? '');
    headed.set(item, heading);
  }
  const first = new Map<string, Item>();
  const isTwo = items.some((item) => {
    const key = [item.name, ...item.given.map(({ axis, text }) => `${axis}=${compact(text)}`)].join('|');
    const before = first.get(key) ?? item;
    first.set(key, before);
    return headed.get(before) !== headed.get(item) && (before.price !== item.price || before.ownCode !== item.ownCode);
  });
  if (isTwo) for (const item of items) item.brandKey = headed.get(item)!;
}
