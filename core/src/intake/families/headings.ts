/**
 * What headings between the rows say of those below: a colour; or whose goods they are, where "Hoodie, Navy, S" stands
 * below two and no column tells them apart.
 */
import { compact } from '../../text/letters';
import { ROLE_LABELS } from '../../registry/roles';
import type { OptionReader } from '../options/readOptions';
import { tokensOf } from '../options/tokens';
import type { Table } from '../table/shape';
import type { GivenOption, Item } from './shape';

const textOf = (row: readonly string[]): string => (row.find((cell) => cell.trim() !== '') ?? '').trim();

/** The heading each row stands below; '' above the first. `headings` are the places of such lines, ascending. */
function headingsOf(items: readonly Item[], headings: readonly number[], table: Table): Map<Item, string> {
  const headed = new Map<Item, string>();
  let next = 0;
  let heading = '';
  for (const item of items) {
    while (next < headings.length && headings[next]! < item.row) heading = textOf(table[headings[next++]!]!);
    headed.set(item, heading);
  }
  return headed;
}

/** Gives rows the colour that stands above them, where all rows have one there and none says it itself. */
export function giveHeadedColours(
  items: readonly Item[],
  headings: readonly number[],
  table: Table,
  options: OptionReader,
): void {
  const isColour = ({ role }: GivenOption) => role === 'colour';
  if (
    headings.length === 0 ||
    items.some(({ given, across }) => [...given, ...across.map(({ value }) => value)].some(isColour))
  )
    return;
  const headed = headingsOf(items, headings, table);
  const given = new Map<string, GivenOption>();
  for (const text of new Set(headed.values())) {
    if (options.whole(tokensOf(text))?.roles[0] !== 'colour') return;
    given.set(text, { axis: 'colour', role: 'colour', label: ROLE_LABELS.colour, text });
  }
  for (const item of items) item.given = [...item.given, given.get(headed.get(item)!)!];
}

/**
 * Keeps rows apart by the heading they stand below, where goods stand below several at other prices or under other numbers.
 * @param headings places of the lines that are headings, ascending
 */
export function keepHeadedApart(items: readonly Item[], headings: readonly number[], table: Table): void {
  if (headings.length < 2 || items.some(({ brand }) => brand !== '')) return;
  const headed = headingsOf(items, headings, table);
  const first = new Map<string, Item>();
  const isTwo = items.some((item) => {
    const key = [item.name, ...item.given.map(({ axis, text }) => `${axis}=${compact(text)}`)].join('|');
    const before = first.get(key) ?? item;
    first.set(key, before);
    return (
      compact(headed.get(before)!) !== compact(headed.get(item)!) &&
      (before.price !== item.price || before.ownCode !== item.ownCode)
    );
  });
  if (isTwo) for (const item of items) item.brandKey = compact(headed.get(item)!);
}
