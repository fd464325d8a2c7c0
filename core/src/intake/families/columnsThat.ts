/** Columns of a list by what they mean. */
import type { ListColumn, Meaning } from '../table/shape';

/** The column of a meaning. */
export const columnOfField = (columns: readonly ListColumn[], key: string): ListColumn | undefined =>
  columns.find(({ meaning }) => meaning.is === 'field' && meaning.key === key);
export const columnThat = (columns: readonly ListColumn[], is: Meaning['is']) =>
  columns.find(({ meaning }) => meaning.is === is);

/** Where goods are named: by a name, else by their style. */
export const nameColumn = (columns: readonly ListColumn[]) =>
  columnOfField(columns, 'name') ?? columnOfField(columns, 'styleCode');
