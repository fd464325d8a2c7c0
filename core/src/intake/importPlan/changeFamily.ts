/** What a family of a list changes of the one that is there. */
import { runCommand } from '../../change/run';
import { childLabels } from '../../family/weave';
import type { Child, Family } from '../../family/shape';
import { isIdentifier } from '../../identifiers/sameness';
import { Refusal } from '../../refusal/refusal';
import type { Field } from '../../registry/field';
import type { ListChild, ListFamily } from '../families/shape';
import { readSheet, type SheetReading } from '../readSheet';
import type { AcrossKey } from '../table/shape';
import { takeReading } from '../takeReading';
import { familyChanges, sheetHeader, type FigureColumn } from './figureColumns';
import { matchAxes, ownerOfRow, withMoreAxes, type AxisMatch } from './heldAxes';
import { addressedPictures } from './pictureAddresses';
import type { Become, BecomeInput } from './shape';
import { refusedWhole, rowsOf, verdictsOf } from './verdicts';

/** What a list changes of a family that is there. */
export function changeFamily(input: BecomeInput, family: ListFamily, held: Family, isNamedByKey: boolean): Become {
  const { registry, table, columns } = input;
  try {
    const grown = withMoreAxes(registry, held, family, ownerOfRow(held, table, columns));
    const base = grown.family;
    const labelsOf = openLabels(base, matchAxes(base, family), ownerOfRow(base, table, columns));
    const own = columns.filter(({ field }) => field.levels.includes('child'));
    const reading = readChildren(input, base, family, own, labelsOf);
    const cells = [...family.parentRows, ...rowsOf(family)].map((row) => table[row - 1]!);
    const told = familyChanges(registry, base, columns, cells, isNamedByKey);
    const whole = { ...told, changes: [...grown.changes, ...told.changes] };
    const { family: taken, pieces } = takeReading(registry, base, reading);
    const figures = Object.entries(whole.figures).map(([key, figure]) => ({
      place: { level: 'family' as const },
      key,
      figure,
    }));
    const after =
      figures.length === 0 ? taken : runCommand(registry, taken, { do: 'setFigures', changes: figures }).family;
    const ofFamily = { ...whole, verdict: whole.changes.length > 0 ? ('changed' as const) : ('same' as const) };
    return {
      key: family.key,
      heldId: held.id,
      rows: verdictsOf(family, ofFamily, reading.rows, ({ verdict }) => (verdict === 'new' ? 'newChild' : verdict)),
      changes: whole.changes,
      family: after === held && pieces.length === 0 ? null : after,
      pieces,
      pictures: addressedPictures(table, input.pictureColumns, family, after, labelsOf),
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return refusedWhole(family, error.message, held.id);
  }
}

/** Which value each row has on each axis of the family that is there: by the axes of the list, else by whose number it has. */
function openLabels(
  held: Family,
  { matched }: AxisMatch,
  ownerOf: (row: number) => Child | undefined,
): (child: ListChild) => string[] {
  return ({ rows, at }) => {
    const child = ownerOf(rows[0]!);
    const labels = child ? childLabels(held, child) : [];
    // A number says which child it is, whatever its options are called in the list.
    return held.axes.map(
      (_, place) => labels[place] ?? (matched[place] === undefined ? '' : (at[matched[place]] ?? '')),
    );
  };
}

const OF_ONE_CHILD = new Set(['sku', 'gtin', 'stock']);

function readChildren(
  { registry, table, across, mended, around, stock }: BecomeInput,
  held: Family,
  family: ListFamily,
  columns: readonly FigureColumn[],
  labelsOf: (child: ListChild) => string[],
): SheetReading {
  const ofChild = columns.filter(({ field }) => field.levels.includes('child'));
  // Fields that stand below values that go across, each with one of its columns.
  const own = new Map(
    family.children.flatMap(({ ownColumns = {} }) =>
      Object.values(ownColumns).map((at) => [across.get(at)!.field.key, across.get(at)!] as const),
    ),
  );
  // A code of a row of several children is none of theirs.
  const used = ofChild.filter(({ field: { key } }) => own.size === 0 || !(OF_ONE_CHILD.has(key) || own.has(key)));
  const headers = [...held.axes.map(({ label }) => `Option: ${label}`), ...[...used, ...own.values()].map(sheetHeader)];
  const rows = family.children.map((child) => {
    const row = child.rows[0]!;
    const cells = table[row - 1]!;
    const textIn = (at: number | undefined, { type }: Field) => {
      const text = at === undefined ? '' : (mended.get(row)?.get(at) ?? cells[at] ?? '');
      return type === 'stock' && !/\d/.test(text) ? '' : text;
    };
    const figures = used.map(({ at, field }) =>
      child.sharesRow && OF_ONE_CHILD.has(field.key) ? '' : textIn(at, field),
    );
    const below = [...own.values()].map(({ field }) =>
      child.sharesRow && isIdentifier(field.key) ? '' : textIn(child.ownColumns?.[field.key as AcrossKey], field),
    );
    return [...labelsOf(child), ...figures, ...below];
  });
  // What is told of a cell names the column as the list does.
  const asListed = [...held.axes.map(({ label }) => label), ...[...used, ...own.values()].map(({ header }) => header)];
  const named = new Map(headers.map((header, at) => [header, asListed[at]!]));
  const rename = <T extends { column: string }>(told: T): T => ({
    ...told,
    column: named.get(told.column) ?? told.column,
  });
  const reading = readSheet(registry, held, headers, rows, stock, around);
  return {
    ...reading,
    rows: reading.rows.map((row) => ({ ...row, problems: row.problems.map(rename), changes: row.changes.map(rename) })),
  };
}
