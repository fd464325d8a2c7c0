/** Which rows of a list are those of parents, and what each row says it belongs to. */
import { kindOf } from '../table/cells';
import type { ListColumn } from '../table/shape';
import { codeKey } from './codeKey';
import { columnOfField, columnThat } from './columnsThat';
import { readReferences } from './references';
import type { Item } from './shape';

type Rows = readonly { cells: readonly string[] }[];

export interface Parenthood {
  /** What a row belongs to: the number of its parent, or a key of the list; '' where it says nothing. */
  belongsOf(cells: readonly string[]): string;
  /** What the children of a row have, if it is a parent's; null where it is goods. `isHead` says that it stands above rows without a name. */
  tiesOf(item: Item, isHead: boolean): string[] | null;
}

/** Reads what the rows say of parents and children. */
export function openParenthood(rows: Rows, columns: readonly ListColumn[]): Parenthood {
  const parent = columnThat(columns, 'parent') ?? columnThat(columns, 'group');
  const [sku, kind] = [columnOfField(columns, 'sku'), columnThat(columns, 'kind')];
  const text = (cells: readonly string[], column: ListColumn | undefined) =>
    column ? (cells[column.at] ?? '').trim() : '';
  const { referred, key, parentOf } = readReferences(rows, columns, parent);
  const naming = new Set([...parentOf.values()].map(codeKey));
  const ownCodes = new Set(parent && kind ? rows.map(({ cells }) => codeKey(text(cells, sku))) : []);
  /** The numbers and names of a row that others say they belong to. */
  const refsOf = ({ ownCode, style, name, cells }: Item): string[] => {
    if (referred.size + naming.size === 0) return [];
    const refs = [ownCode, style, name, text(cells, key)].filter((ref) => ref !== '' && referred.has(codeKey(ref)));
    return naming.has(codeKey(ownCode)) ? [...refs, ownCode] : refs;
  };
  return {
    belongsOf: (cells) =>
      text(cells, parent) || (parentOf.size > 0 ? (parentOf.get(codeKey(text(cells, sku))) ?? '') : ''),
    tiesOf(item, isHead) {
      const { belongs, ownCode, style, name, cells } = item;
      const isCalled = kind ? kindOf(text(cells, kind)) === 'parent' : false;
      const refs = refsOf(item);
      const pointsElsewhere =
        belongs !== '' && ![ownCode, text(cells, key)].some((one) => codeKey(one) === codeKey(belongs));
      // A group's key in the column of parents points nowhere.
      const isCalledParent = isCalled && !(pointsElsewhere && ownCodes.has(codeKey(belongs)));
      const isParent = isHead || isCalledParent || (!pointsElsewhere && refs.length > 0);
      const saysNone = item.given.length === 0 || isCalled || refs.length > 0;
      if (!isParent || item.across.length > 0 || !saysNone) return null;
      return (isCalled ? [ownCode, style, name, text(cells, key), belongs].filter(Boolean) : refs).map(codeKey);
    },
  };
}
