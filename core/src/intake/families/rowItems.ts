/** Rows of a list as goods: cells put where they belong, what stands once above others carried down, parents told from children. */
import { compact } from '../../text/letters';
import { lineAsRead } from '../../wording/markup';
import { roughAmount } from '../table/cells';
import { tokensOf } from '../options/tokens';
import type { TableFound } from '../table/findTable';
import type { ListWords } from '../table/headerWords';
import type { ListColumn, Table } from '../table/shape';
import { carryDown } from './carryDown';
import { codeKey } from './codeKey';
import { columnOfField, columnThat } from './columnsThat';
import { openGiven } from './givenOptions';
import { tieByName } from './parentTies';
import { openParenthood } from './parenthood';
import { pictureRows } from './references';
import { giveHeadedColours, keepHeadedApart } from './headings';
import { remembered } from './remembered';
import type { Item, ParentRow } from './shape';

/** A row that says that its child goes. */
export interface Deletion {
  row: number;
  sku: string;
  gtin: string;
}

export interface RowItems {
  items: Item[];
  parents: ParentRow[];
  /** Rows that are headings of what follows. */
  sections: number[];
  /** Rows whose child is to go, with what it is found by. */
  deletions: Deletion[];
}

/** What a column of deeds says where a child is to go. */
const DELETES = /^(?:delete|del|remove|löschen|loeschen|supprimer|eliminar|elimina|verwijderen)$/i;

/** So many signs of a name are read; the name of a family has 200 at most. */
const LONGEST_NAME = 1000;

/** Makes items of the rows of a table. */
export function rowItems(table: Table, found: TableFound, columns: readonly ListColumn[], words: ListWords): RowItems {
  const single = found.skipped.filter((one) => one.why === 'section').map((one) => one.at);
  const places = [...found.body, ...single].sort((a, b) => a - b);
  const isOption = (cell: string) => words.options.whole(tokensOf(cell)) !== null;
  const filled = carryDown({ table, places, single }, columns, isOption);
  const result: RowItems = { items: [], parents: [], sections: filled.sections.map((at) => at + 1), deletions: [] };
  const text = (cells: readonly string[], column: ListColumn | undefined) =>
    column ? (cells[column.at] ?? '').trim() : '';
  const at = {
    name: columnOfField(columns, 'name'),
    brand: columnOfField(columns, 'brand'),
    // Where nobody says the brand, goods of two makers are two.
    house: columnOfField(columns, 'brand') ?? columnOfField(columns, 'maker'),
    line: lineColumn(columns),
    style: columnOfField(columns, 'styleCode'),
    sku: columnOfField(columns, 'sku'),
    price: columnOfField(columns, 'price') ?? columnOfField(columns, 'cost') ?? columnOfField(columns, 'listPrice'),
    deed: columnThat(columns, 'deed'),
    gtin: columnOfField(columns, 'gtin'),
  };
  const { belongsOf, tiesOf } = openParenthood(filled.rows, columns);
  const tieOf = (cells: readonly string[]) => codeKey(belongsOf(cells)) || codeKey(text(cells, at.style));
  const pictured = pictureRows(filled.rows, table, columns, tieOf);
  const givenOf = openGiven(columns, words);
  const nameIn = remembered((text: string) => withBlanks(lineAsRead(text)));
  const brandKeyOf = remembered(compact);
  const tokensIn = remembered((name: string) => tokensOf(name.slice(0, LONGEST_NAME)));
  const priceIn = remembered(roughAmount);
  for (const { place, cells, block, isHead } of filled.rows) {
    const row = place + 1;
    if (DELETES.test(text(cells, at.deed))) {
      result.deletions.push({ row, sku: text(cells, at.sku), gtin: text(cells, at.gtin) });
      continue;
    }
    if (pictured.has(place)) {
      result.parents.push({ row, name: '', refs: [tieOf(cells)], block });
      continue;
    }
    const name = nameIn(text(cells, at.name));
    const brand = text(cells, at.brand);
    const item: Item = {
      row,
      cells,
      name,
      brand,
      brandKey: brandKeyOf(`${text(cells, at.house)} ${text(cells, at.line)}`),
      style: text(cells, at.style),
      belongs: belongsOf(cells),
      block,
      ownCode: text(cells, at.sku),
      price: priceIn(text(cells, at.price)),
      given: givenOf.options(cells),
      across: givenOf.across(cells),
      tokens: tokensIn(name),
      spans: [],
      read: [],
      said: [],
    };
    const refs = tiesOf(item, isHead);
    if (refs) result.parents.push({ row, name, refs, block });
    else result.items.push(item);
  }
  tieByName(result.parents, result.items);
  giveHeadedColours(result.items, filled.sections, table, words.options);
  keepHeadedApart(result.items, filled.sections, table);
  return result;
}

/**
 * The column of lines of goods, where nothing else says which rows are one: a style may go on in another line in new
 * colours.
 */
function lineColumn(columns: readonly ListColumn[]): ListColumn | undefined {
  const line = columnThat(columns, 'line');
  const ties = [columnOfField(columns, 'styleCode'), columnThat(columns, 'parent'), columnThat(columns, 'group')];
  const isSaid = line?.reason === 'chosen' || line?.reason === 'remembered';
  return isSaid || !ties.some(Boolean) ? line : undefined;
}

/**
 * Names of files and pages have signs for blanks: "Wool_Sweater_Royal_Blue", "wool-sweater-royal-blue-36-38"; those of
 * a list begin with a sign of it.
 */
function withBlanks(listed: string): string {
  const name = listed.replace(/^[•▪◦›»]\s+/, '');
  if (SLUG.test(name)) return name.replace(/-+(?!\d)|(?<!\d)-+/g, ' ');
  return name.includes('_') && !/\s/.test(name) ? name.replace(/_+/g, ' ').trim() : name;
}
/** Small letters and figures in three parts at least. */
const SLUG = /^[\p{Ll}\d]+(?:-[\p{Ll}\d]+){2,}$/u;
