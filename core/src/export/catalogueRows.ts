/** The catalogue as rows, one a child, in the columns that a list is read by: out and in again changes nothing. */
import { columnOf } from '../family/column';
import { familyIndex } from '../family/weave';
import type { Family } from '../family/shape';
import { headerOf, type Field } from '../registry/field';
import { showColumn, showFigure } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';

/** How much channels want a column filled. */
export type Need = 'required' | 'recommended' | 'optional';

export type CatalogueColumn =
  | { kind: 'key' | 'stock'; header: string }
  | { kind: 'axis' | 'option'; header: string; number: number }
  | { kind: 'field'; header: string; field: Field };

/** Columns with what is told of each: how much it is wanted, by whom, and its closed list. */
export interface ColumnTold {
  column: CatalogueColumn;
  need: Need;
  /** Accounts that require or recommend it. */
  wantedBy: readonly string[];
  help: string;
  choices: readonly string[];
  isNumber: boolean;
}

/** What an account asks for: field → need. */
export interface Wanted {
  account: string;
  needs: ReadonlyMap<string, Need>;
}

const isSheetField = (field: Field): boolean =>
  field.type !== 'pictures' && field.type !== 'surcharge' && field.type !== 'stock' && !field.onlyScoped;

/** The columns for families of up to so many axes. */
export function catalogueColumns(registry: Registry, mostAxes: number, wanted: readonly Wanted[]): ColumnTold[] {
  const fields = registry.fields.filter(
    (field) => isSheetField(field) && (field.levels.includes('family') || field.levels.includes('child')),
  );
  const head = fields.filter(({ levels }) => !levels.includes('child'));
  const own = fields.filter(({ levels }) => levels.includes('child'));
  const axes = Array.from({ length: mostAxes }, (_, at): CatalogueColumn[] => [
    { kind: 'axis', header: `Axis ${at + 1}`, number: at },
    { kind: 'option', header: `Option ${at + 1}`, number: at },
  ]);
  const ofField = (field: Field): CatalogueColumn => ({ kind: 'field', header: headerOf(field), field });
  const columns: CatalogueColumn[] = [
    { kind: 'key', header: 'Family key' },
    ...head.slice(0, 4).map(ofField),
    ...axes.flat(),
    ...own.map(ofField),
    { kind: 'stock', header: 'Stock (pieces)' },
    ...head.slice(4).map(ofField),
  ];
  return columns.map((column) => toldOf(registry, column, wanted));
}

const HELP = {
  key: 'Which family the row is of. A new family has none.',
  axis: 'What children differ by: Colour, Size.',
  option: 'The value of the child on that axis.',
  stock: 'Pieces that are there.',
};

function toldOf(registry: Registry, column: CatalogueColumn, wanted: readonly Wanted[]): ColumnTold {
  if (column.kind !== 'field')
    return {
      column,
      need: 'optional',
      wantedBy: [],
      help: HELP[column.kind],
      choices: [],
      isNumber: column.kind === 'stock',
    };
  const { field } = column;
  const requiring = wanted.filter(({ needs }) => needs.get(field.key) === 'required').map(({ account }) => account);
  const recommending = wanted
    .filter(({ needs }) => needs.get(field.key) === 'recommended')
    .map(({ account }) => account);
  const need: Need =
    field.key === 'name' || requiring.length > 0 ? 'required' : recommending.length > 0 ? 'recommended' : 'optional';
  return {
    column,
    need,
    wantedBy: requiring.length > 0 ? requiring : recommending,
    help: field.help ?? '',
    choices: choicesOf(registry, field),
    isNumber: ['money', 'weight', 'length', 'number', 'integer'].includes(field.type),
  };
}

function choicesOf(registry: Registry, field: Field): string[] {
  if (field.type === 'yesno') return ['yes', 'no'];
  if (field.type === 'category')
    return registry.tree.filter(({ isLeaf }) => isLeaf).map(({ category }) => registry.pathLabel(category.id));
  return field.choices?.map(({ label }) => label) ?? [];
}

/** Rows of a family, cells in the order of the columns. */
export function catalogueRows(
  registry: Registry,
  columns: readonly ColumnTold[],
  family: Family,
  stock: Record<string, number>,
): string[][] {
  const { woven, valueById } = familyIndex(family);
  const cells = columns.map(({ column }): ((at: number) => string) => {
    if (column.kind === 'field') return cellsOf(registry, family, column.field);
    if (column.kind === 'axis') return () => family.axes[column.number]?.label ?? '';
    if (column.kind === 'option') {
      const axis = family.axes[column.number];
      return (at) => (axis ? valueById.get(woven[at]!.at[axis.id]!)!.label : '');
    }
    return (at) => (column.kind === 'key' ? family.id : String(stock[woven[at]!.id] ?? 0));
  });
  return woven.map((_, at) => cells.map((cell) => cell(at)));
}

/** The figure of each child as it holds there; what only a family has stands in every row. */
function cellsOf(registry: Registry, family: Family, field: Field): (at: number) => string {
  if (field.levels.includes('child')) return showColumn(registry, field, columnOf(family, field.key));
  const shown = showFigure(registry, field, family.fields[field.key]);
  return () => shown;
}
