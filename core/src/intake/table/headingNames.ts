/** Names of goods that stand in lines of their own above their rows, where no column has them. */
import type { Contents } from './contents';
import type { TableFound } from './findTable';
import type { ListColumn, Table } from './shape';

/** What the lines between the rows are called among the columns. */
export const HEADINGS = 'Lines between the rows';

/** A column beside the last one for names that are headings; null where rows are named otherwise, or the lines say no names. */
export function headingNames(
  table: Table,
  { skipped, body, headers }: TableFound,
  columns: readonly ListColumn[],
  contents: readonly Contents[],
): ListColumn | null {
  const isField = ({ meaning }: ListColumn, key: string) => meaning.is === 'field' && meaning.key === key;
  if (columns.some((one) => isField(one, 'name') || one.meaning.is === 'parent' || one.meaning.is === 'group'))
    return null;
  const lines = skipped.filter(({ why }) => why === 'section').map(({ at }) => at);
  const isAbove = lines.length > 0 && lines[0]! < (body[0] ?? 0) && lines.length <= body.length;
  if (!isAbove) return null;
  const style = columns.find((one) => isField(one, 'styleCode'));
  // Styles that are words are names themselves; above codes a line of one word is more likely a kind of goods.
  const isCoded = style && contents[style.at]!.code > 0.8;
  if (style && !(isCoded && lines.filter((at) => isName(table[at]!)).length > lines.length / 2)) return null;
  return {
    at: headers.length,
    header: HEADINGS,
    confidence: style ? 0.6 : 0.8,
    reason: 'headings',
    meaning: { is: 'field', key: 'name' },
  };
}

const isName = (row: readonly string[]): boolean => /\p{L}\s+\p{L}/u.test(row.find((cell) => cell.trim() !== '') ?? '');
