/** A family of a list begun anew: its rows are read first, and the family is made of those that can go in. */
import { createWoven } from '../../change/createFamily';
import { foldLabel } from '../../family/foldLabel';
import type { Family, Figures } from '../../family/shape';
import { Refusal, unreadable, unreadableText } from '../../refusal/refusal';
import { readFigure } from '../../registry/figures';
import type { Registry } from '../../registry/openRegistry';
import type { ListChild, ListFamily } from '../families/shape';
import type { RowVerdict } from '../readSheet';
import { familyFigures, type FigureColumn } from './figureColumns';
import { addressedPictures } from './pictureAddresses';
import type { NewChildRead, NewChildren } from './newChildren';
import type { Become, BecomeInput } from './shape';
import { withChildren } from './withChildren';
import { refusedParents, refusedWhole, rowsOf, verdictsOf } from './verdicts';

/** A new family under an id. Rows that cannot go in are left out of it, values and all. */
export function beginFamily(input: BecomeInput, children: NewChildren, family: ListFamily, id: string): Become {
  try {
    return begin(input, children, family, id);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return refusedWhole(family, error.message, null);
  }
}

function begin(input: BecomeInput, children: NewChildren, family: ListFamily, id: string): Become {
  const all = wholeFigures(input, family);
  const columns = children.columnsIn(all.fields.category);
  const reads = readRows(children, family, columns);
  const good = family.children.filter((_, at) => reads[at]!.problems.length === 0);
  const made = withChildren(family, good);
  const whole = made === family ? all : wholeFigures(input, made);
  const ofFamily = { verdict: 'newFamily' as const, problems: whole.problems, changes: whole.changes };
  const verdicts = reads.map((read, at) => verdictOf(read, at + 2, whole.taken));
  const rows = verdictsOf(family, ofFamily, verdicts, () => 'newFamily');
  const become = { key: family.key, heldId: null, changes: [], pieces: [], pictures: [] };
  if (good.length === 0)
    return { ...become, rows: [...refusedParents(family), ...rows.slice(family.parentRows.length)], family: null };
  const goodReads = reads.filter(({ problems }) => problems.length === 0);
  const after = familyOf(input, made, goodReads, whole, id);
  const labelsOf = ({ at }: ListChild) => after.axes.map(({ label }) => at[label] ?? '');
  const pictures = addressedPictures(input.table, input.pictureColumns, made, after, labelsOf);
  return { ...become, rows, family: after, pieces: piecesOf(after, goodReads), pictures };
}

/** Its children, read in the order of the list: of two rows for one child the first is taken. */
function readRows(children: NewChildren, family: ListFamily, columns: readonly FigureColumn[]): NewChildRead[] {
  const seen = new Set<string>();
  return family.children.map((child) => {
    const read = children.read(child, family.axes, columns);
    const crossing = JSON.stringify(read.labels.map(foldLabel));
    if (seen.has(crossing)) read.problems.push({ column: '', message: unreadableText(unreadable('cell.twice', {})) });
    if (read.problems.length === 0) seen.add(crossing);
    return read;
  });
}

/** What stands with the family itself: what its rows agree on, else what the rows of its parents do. */
function wholeFigures({ registry, table, columns }: BecomeInput, family: ListFamily) {
  const cellsOf = (rows: readonly number[]) => rows.map((row) => table[row - 1]!);
  const { figures, problems, taken } = familyFigures(registry, columns, cellsOf(rowsOf(family)));
  const ofParents = familyFigures(registry, columns, cellsOf(family.parentRows));
  const style: Figures = family.style === '' ? {} : { styleCode: family.style };
  const said: Figures = { ...ofParents.figures, ...figures, ...style, name: family.name };
  const code = said.styleCode === undefined ? parentCode(registry, columns, cellsOf(family.parentRows)) : null;
  const changes = code === null ? [] : [{ column: registry.field('styleCode')!.label, before: '', after: code }];
  return { fields: code === null ? said : { ...said, styleCode: code }, problems, taken, changes };
}

/** The number that a parent has of its own is what the seller calls the family by, where the list has no style code. */
function parentCode(
  registry: Registry,
  columns: readonly FigureColumn[],
  rows: readonly (readonly string[])[],
): string | null {
  const column = columns.find(({ field }) => field.key === 'sku');
  const text = column && rows.map((row) => (row[column.at] ?? '').trim()).find((cell) => cell !== '');
  if (!text) return null;
  const read = readFigure(registry, registry.field('styleCode')!, text, column.source);
  return read.ok && read.figure !== null ? String(read.figure) : null;
}

function familyOf(
  { registry }: BecomeInput,
  { axes: given }: ListFamily,
  children: readonly NewChildRead[],
  { fields, taken }: ReturnType<typeof wholeFigures>,
  id: string,
): Family {
  const axes = given.map(({ role, label, values }) => ({
    role,
    label,
    values: values.map((value) => ({ label: value })),
  }));
  const own = children.map(({ labels, figures }) => {
    const ownFields: Figures = {};
    for (const { column, figure } of figures) if (!taken.has(column)) ownFields[column.field.key] = figure;
    return { labels, fields: ownFields };
  });
  return createWoven(registry, { id, fields, axes }, own);
}

function verdictOf(
  { labels, figures, pieces, problems }: NewChildRead,
  row: number,
  taken: ReadonlySet<FigureColumn>,
): RowVerdict {
  const child = labels.join(' · ') || 'the only child';
  if (problems.length > 0) return { row, verdict: 'refused', child, problems, changes: [] };
  const changes = figures.flatMap(({ column, shown }) =>
    taken.has(column) ? [] : [{ column: column.header, before: '', after: shown }],
  );
  if (pieces) changes.push({ column: pieces.header, before: '', after: String(pieces.count) });
  return { row, verdict: 'new', child, problems, changes };
}

function piecesOf({ children }: Family, reads: readonly NewChildRead[]): Become['pieces'] {
  const ids = Object.keys(children);
  return reads.flatMap(({ pieces }, at) => (pieces ? [{ childId: ids[at]!, pieces: pieces.count }] : []));
}
