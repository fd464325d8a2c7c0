/** Verdicts on the rows of a family of a list: what becomes of each, those that name the family itself among them. */
import { doubtText } from '../listText';
import { refusalText } from '../../refusal/refusalText';
import type { ListFamily } from '../families/shape';
import type { RowVerdict } from '../readSheet';
import type { Become, ListRow } from './shape';

/** The rows of its children, each once. */
export const rowsOf = ({ children }: ListFamily): number[] => [...new Set(children.flatMap(({ rows }) => rows))];

/** What becomes of the family itself, its children apart. */
export type OfFamily = Pick<ListRow, 'verdict' | 'problems' | 'changes'>;

/**
 * A verdict for each row. What is told of the family itself stands with the row that names it; where none does, with the first of its
 * children's.
 */
export function verdictsOf(
  family: ListFamily,
  ofFamily: OfFamily,
  read: readonly RowVerdict[],
  verdictOf: (row: RowVerdict) => ListRow['verdict'],
): ListRow[] {
  const doubts = new Map(family.doubts.map((doubt) => [doubt.row, doubtText(doubt)]));
  const rows = read.flatMap((one) => {
    const verdict = one.verdict === 'refused' ? ('refused' as const) : verdictOf(one);
    const told = { family: family.name, child: one.child, problems: one.problems, changes: one.changes };
    return family.children[one.row - 2]!.rows.map((row) => ({ row, verdict, ...told }));
  });
  const parents = parentRows(family, ofFamily);
  return [...parents, ...(parents.length > 0 ? rows : withFamily(rows, ofFamily))].map((row) => doubted(row, doubts));
}

const parentRows = ({ name, parentRows: rows }: ListFamily, ofFamily: OfFamily): ListRow[] =>
  rows.map((row, at) => ({
    row,
    family: name,
    child: '',
    verdict: ofFamily.verdict,
    problems: at === 0 ? ofFamily.problems : [],
    changes: at === 0 ? ofFamily.changes : [],
  }));

function withFamily([first, ...others]: ListRow[], { verdict, problems, changes }: OfFamily): ListRow[] {
  if (!first) return [];
  return [
    {
      ...first,
      verdict: first.verdict === 'same' ? verdict : first.verdict,
      problems: [...first.problems, ...problems],
      changes: [...changes, ...first.changes],
    },
    ...others,
  ];
}

function doubted(row: ListRow, doubts: ReadonlyMap<number, string>): ListRow {
  const doubt = doubts.get(row.row);
  if (doubt === undefined) return row;
  return { ...row, doubt, verdict: row.verdict === 'newFamily' ? 'doubtful' : row.verdict };
}

/** Of a family with no good child its own rows go nowhere either. */
export const refusedParents = (family: ListFamily): ListRow[] =>
  parentRows(family, {
    verdict: 'refused',
    changes: [],
    problems: [{ column: '', message: refusalText('list.no-good-child', { family: family.name }) }],
  });

/** None of its rows goes in, for one reason. */
export const refusedWhole = (family: ListFamily, message: string, heldId: string | null): Become => ({
  key: family.key,
  heldId,
  rows: [...family.parentRows, ...rowsOf(family)].map((row) => ({
    row,
    verdict: 'refused',
    family: family.name,
    child: '',
    changes: [],
    problems: [{ column: '', message }],
  })),
  changes: [],
  family: null,
  pieces: [],
  pictures: [],
});
