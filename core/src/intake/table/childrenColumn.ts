/** A column in which the rows of parents name their children by their SKUs. */
import { BETWEEN_CODES } from '../families/references';
import { isBlank } from './cells';
import type { Contents } from './contents';
import type { ListColumn, Table } from './shape';

/** Marks the column, whatever it is called; one that names rows which name others in turn tells what goes with what, and no children. */
export function findChildren(
  table: Table,
  body: readonly number[],
  columns: readonly ListColumn[],
  contents: readonly Contents[],
): void {
  const sku = columns.find(({ meaning }) => meaning.is === 'field' && meaning.key === 'sku');
  const isOpen = ({ at, reason }: ListColumn) =>
    at !== sku?.at && reason !== 'chosen' && reason !== 'remembered' && isSparse(contents[at]!);
  const open = sku ? columns.filter(isOpen) : [];
  if (open.length === 0) return;
  const skus = new Set(body.map((at) => table[at]![sku!.at]?.trim()));
  const column = open.find(({ at }) => namesChildren(at));
  if (column) Object.assign(column, { meaning: { is: 'children' }, confidence: 0.95, reason: 'content' });

  function namesChildren(at: number): boolean {
    const rows = body.filter((row) => !isBlank(table[row]![at]));
    // Most columns are left at their first cell.
    if (rows.length === 0 || !codesIn(table[rows[0]!]!, at).every(isSku)) return false;
    const named = new Set(rows.flatMap((row) => codesIn(table[row]!, at)));
    const ownOf = (row: number) => table[row]![sku!.at]?.trim() ?? '';
    return named.size > rows.length && [...named].every(isSku) && !rows.some((row) => named.has(ownOf(row)));
  }
  function isSku(code: string): boolean {
    return skus.has(code);
  }
}

/** There are fewer parents than children. */
const isSparse = ({ filled, looked }: Contents): boolean => filled > 0 && filled * 2 <= looked;

const codesIn = (row: readonly string[], at: number): string[] => row[at]!.split(BETWEEN_CODES).filter(Boolean);
