/** Which children the grid shows, and in which order. */
import type { Child } from '@loom-kin/core/family';

export interface Sorting {
  columnId: string;
  descending: boolean;
}
/** Column → the texts it is to show; a column without an entry shows all. */
export type Filters = ReadonlyMap<string, ReadonlySet<string>>;

export interface Arrangement {
  sorting: Sorting | null;
  filters: Filters;
  /** The children of a finding, or those somebody chose; null for all. */
  only: ReadonlySet<string> | null;
}

/** What stands in a column for the child at a position of the weave. */
export interface ColumnTexts {
  text(position: number): string;
  /** What it is sorted by: a number, or the text itself. */
  weight(position: number): number | string;
}

/** Positions of the children to show, in order. What has no figure comes last, whichever way it is sorted. */
export function arrange(
  woven: readonly Child[],
  { sorting, filters, only }: Arrangement,
  textsOf: (columnId: string) => ColumnTexts | undefined,
): number[] {
  const tests = [...filters].flatMap(([columnId, wanted]) => {
    const texts = textsOf(columnId);
    return texts ? [(position: number) => wanted.has(texts.text(position))] : [];
  });
  const shown = woven.flatMap((child, position) =>
    (!only || only.has(child.id)) && tests.every((test) => test(position)) ? [position] : [],
  );
  const texts = sorting && textsOf(sorting.columnId);
  if (!sorting || !texts) return shown;
  const sign = sorting.descending ? -1 : 1;
  const weighed = shown.map((position) => ({ position, weight: texts.weight(position) }));
  return weighed
    .sort((a, b) => {
      if ((a.weight === '') !== (b.weight === '')) return a.weight === '' ? 1 : -1;
      return sign * compare(a.weight, b.weight) || a.position - b.position;
    })
    .map((one) => one.position);
}

function compare(a: number | string, b: number | string): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a).localeCompare(String(b), 'en', { numeric: true, sensitivity: 'base' });
}

/** The different texts of a column among the children, as they come, with how many have each. */
export function textCounts(woven: readonly Child[], texts: ColumnTexts): { text: string; count: number }[] {
  const counts = new Map<string, number>();
  woven.forEach((_child, position) => {
    const text = texts.text(position);
    counts.set(text, (counts.get(text) ?? 0) + 1);
  });
  return [...counts].map(([text, count]) => ({ text, count }));
}
