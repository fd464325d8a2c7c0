/** Finding text in the grid's cells, and what stands there once it is replaced. */

export interface FindWish {
  text: string;
  /** Whether the whole cell has to be it. */
  whole: boolean;
  /** Whether capitals count. */
  exact: boolean;
}

/** A test for cells; null while nothing is looked for. */
export function finder({ text, whole, exact }: FindWish): ((cell: string) => boolean) | null {
  if (text === '') return null;
  const fold = (one: string) => (exact ? one : one.toLowerCase());
  const wanted = fold(text);
  return whole ? (cell) => fold(cell) === wanted : (cell) => fold(cell).includes(wanted);
}

/** The cell with every place where the text stands replaced. Nothing of either text is a pattern. */
export function replaced(cell: string, { text, whole, exact }: FindWish, by: string): string {
  if (whole) return by;
  const escaped = text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return cell.replace(new RegExp(escaped, exact ? 'gu' : 'giu'), () => by);
}
