/** Lists that have a row for each place or market of a child: its number stands in several rows, which are the same else. */
import type { ListColumn, Meaning, Table } from './shape';

const OPTIONS = new Set<Meaning['is']>(['option', 'optionValue', 'options']);

/** Whether all rows with one code have the same options, and other codes have others: the code is a child's, and none of its family. */
export function isOfChild(
  table: Table,
  body: readonly number[],
  columns: readonly ListColumn[],
  code: ListColumn,
): boolean {
  const options = columns.filter(({ meaning }) => OPTIONS.has(meaning.is));
  const name = columns.filter(({ meaning }) => meaning.is === 'field' && meaning.key === 'name');
  const crossings = new Map<string, string>();
  for (const row of body) {
    const cells = table[row]!;
    const own = (cells[code.at] ?? '').trim();
    const crossing = [...name, ...options].map(({ at }) => (cells[at] ?? '').trim()).join('|');
    if (own !== '' && (crossings.get(own) ?? crossing) !== crossing) return false;
    crossings.set(own, crossing);
  }
  // A style whose rows differ by nothing that is known, has options nobody has understood yet.
  return new Set(crossings.values()).size === crossings.size && crossings.size > 1 && crossings.size < body.length;
}
