/** Reading a column of the grid: the text of each cell, what it is sorted by, and where its figure comes from. */
import { type ColumnGroup, type Family, type FamilyIndex, columnOf } from '@loom-kin/core/family';
import { isNumeric, showColumn, type Registry } from '@loom-kin/core/registry';
import { placesOf, type Pieces } from '../stores/pieces';
import type { FieldColumn, GridColumn, OptionColumn } from './gridColumns';
import type { ColumnTexts } from './gridRows';

/** What is known of a column while the family stays as it is; cells are named by the position of their child. */
export interface ColumnReader extends ColumnTexts {
  /** Where the figure comes from; null for what is no figure of the family. */
  group(position: number): ColumnGroup | null;
}

/** What columns are read of. */
export interface ReadFamily {
  family: Family;
  index: FamilyIndex;
  pieces: Pieces;
  registry: Registry;
  currency: string;
}

export function readColumn(read: ReadFamily, column: GridColumn): ColumnReader {
  if (column.kind === 'option') return readOptions(read, column);
  return column.field.type === 'stock' ? readPieces(read, column) : readFigures(read, column);
}

function readOptions({ index: { woven, valueById, rank } }: ReadFamily, { axisId }: OptionColumn): ColumnReader {
  const idAt = (position: number) => woven[position]!.at[axisId]!;
  return {
    text: (position) => valueById.get(idAt(position))?.label ?? '',
    weight: (position) => rank.get(idAt(position)) ?? 0,
    group: () => null,
  };
}

function readPieces(
  { family, index: { woven }, pieces: { stock, stockAt }, registry }: ReadFamily,
  { location, scopes }: FieldColumn,
): ColumnReader {
  const pieces = (position: number) => {
    const { id } = woven[position]!;
    return location ? (placesOf({ stock, stockAt }, id)[location] ?? 0) : (stock[id] ?? 0);
  };
  // What is not counted has no pieces to show: channels are told of as many as they take.
  const counting = columnOf(family, 'counting', scopes);
  const choices = registry.field('counting')?.choices;
  const uncounted = (position: number) => {
    const how = counting.at(position) ?? 'counted';
    return how === 'counted' ? null : (choices?.find((one) => one.value === how)?.label ?? String(how));
  };
  return {
    text: (position) => uncounted(position)?.toLowerCase() ?? String(pieces(position)),
    weight: (position) => (uncounted(position) === null ? pieces(position) : Infinity),
    group: () => null,
  };
}

function readFigures({ family, registry, currency }: ReadFamily, { field, scopes }: FieldColumn): ColumnReader {
  const figures = columnOf(family, field.key, scopes);
  const show = showColumn(registry, field, figures, currency);
  const text = (position: number) => show(position) || (field.unset ?? '');
  return {
    text,
    weight: (position) => {
      const shown = text(position);
      return isNumeric(field) && shown !== '' ? Number(shown) : shown;
    },
    group: (position) => figures.groupAt(position),
  };
}
