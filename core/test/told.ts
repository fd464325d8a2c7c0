/** What a list is read into, as lines that can be looked at. */
import { addScores, measures, NO_SCORE, scoreOf } from '../../e2e/messy/listScore';
import type { MessyList } from '../../e2e/messy/messyLists';
import { readList } from '../src/intake/families/readList';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';

const registry = openRegistry(emptyRegistry());

/** Families of a table, each as one line (name, axes with their values), then goods sold singly by their names. */
export function toldOf(table: string[][]): string[] {
  const { families, singles } = readList(registry, table);
  return [
    ...families.map(
      ({ name, axes }) => `${name} | ${axes.map(({ label, values }) => `${label}: ${values.join(', ')}`).join(' | ')}`,
    ),
    ...singles.map(({ name }) => name),
  ];
}

/** The same of a list of names, one a line, all at one price; none where it is not said. */
export const toldOfNames = (names: string, price = ''): string[] =>
  toldOf([
    ['Name', 'Price'],
    ...names
      .trim()
      .split('\n')
      .map((name) => [name.trim(), price]),
  ]);

/** How well messy lists are read, all together: by pairs of rows and by the roles of axes. */
export const measuresOf = (lists: readonly Omit<MessyList, 'shape'>[]): ReturnType<typeof measures> =>
  measures(lists.reduce((sum, list) => addScores(sum, scoreOf(readList(registry, list.table), list)), NO_SCORE));
