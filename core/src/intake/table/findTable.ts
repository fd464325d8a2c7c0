/** Where the table of a list is: title lines above it, its header of one or two lines, totals and notes below. */
import { tokensOf } from '../options/tokens';
import { headSaying, plainHead } from './acrossHeads';
import { digitsOf, isBareTotal, isBlank, isTax, looksLikeTotal, numberLook, roughAmount } from './cells';
import { withoutDittos } from './dittoMarks';
import { familyTables } from './familyTables';
import { foldHeader, type HeaderMeaning, type ListWords } from './headerWords';
import { isNotesLine, isRule } from './notesLine';
import { evened, widthOf, type Table } from './shape';
import { spreadPieces } from './packedPieces';
import { spreadSizes } from './sizeSections';
import { areOfOneList, stackTables } from './stackedTables';

export type SkipReason = 'title' | 'total' | 'note' | 'header' | 'section';

export interface TableFound {
  /** The table, with a column of its own for each size that stands across. */
  table: Table;
  /** Places of the header's lines, from 0; none where the list has no header. */
  headerRows: number[];
  /** Both lines of a header together. */
  headers: string[];
  /** The last line of the header alone: sizes across stand there. */
  below: string[];
  /** Places of the rows of goods. */
  body: number[];
  skipped: { at: number; why: SkipReason }[];
  /** From this column on they are sizes for sure, which rows below the header say. */
  sizesFrom: number;
}

const NO_ROWS: ReadonlySet<number> = new Set();

/** So far down a header is looked for. */
const LOOKED_AT = 60;

/** Finds the table. `headerRow` (from 1) says where its header is, if the seller did. */
export function findTable(asRead: Table, words: ListWords, headerRow?: number): TableFound {
  const given = withoutDittos(asRead);
  const small = headerRow === undefined ? familyTables(given, words) : null;
  if (small)
    return {
      ...rowsOf(small.table, [], NO_ROWS, words),
      ...small,
      below: small.headers,
      headerRows: [],
      sizesFrom: 0,
    };
  const header = headerRow === undefined ? findHeader(given, words) : headerRow - 1;
  const headerRows = header === null ? [] : headerLines(given, header, words);
  const stacked = headerRows.length === 1 ? stackTables(given, header!, words) : null;
  const whole = stacked?.table ?? given;
  const last = headerRows.at(-1);
  const sizes = last === undefined ? null : spreadSizes(whole, last, words.options);
  const spread = sizes ?? (last === undefined ? null : spreadPieces(whole, last, words.options));
  const width = widthOf(spread?.table ?? whole);
  const table = evened(spread?.table ?? whole, width);
  const laterHeaders = new Set([...(stacked?.headers ?? []), ...(sizes?.sections ?? [])]);
  const { headers, below } = joined(table, headerRows, width);
  return {
    ...rowsOf(table, headerRows, laterHeaders, words),
    table,
    headerRows,
    headers,
    below,
    sizesFrom: spread?.from ?? Infinity,
  };
}

/** Which rows are goods, and which are something else. */
function rowsOf(
  table: Table,
  headerRows: readonly number[],
  laterHeaders: ReadonlySet<number>,
  words: ListWords,
): Pick<TableFound, 'body' | 'skipped'> {
  const skipped: TableFound['skipped'] = [];
  const body: number[] = [];
  const first = headerRows.length > 0 ? headerRows.at(-1)! + 1 : 0;
  for (let at = 0; at < (headerRows[0] ?? 0); at++) if (!isEmpty(table[at]!)) skipped.push({ at, why: 'title' });
  for (let at = first; at < table.length; at++) {
    const row = table[at]!;
    if (isEmpty(row)) continue;
    const isOfHeader = laterHeaders.has(at) || (at === headerRows.at(-1)! + 1 && isNotesLine(row)) || isRule(row);
    const why = isOfHeader ? 'header' : reasonToSkip(at, headerRows, table, words);
    if (why) skipped.push({ at, why });
    else body.push(at);
  }
  // Names alone, all other columns still empty, are goods and no headings of goods.
  const isNames = body.length === 0 && skipped.some(({ why }) => why === 'section');
  if (!isNames) return { body, skipped };
  return {
    body: skipped.flatMap(({ at, why }) => (why === 'section' ? [at] : [])),
    skipped: skipped.filter(({ why }) => why !== 'section'),
  };
}

const isEmpty = (row: readonly string[]) => row.every((cell) => cell.trim() === '');

/** The row that reads most like a header; null where none does. */
function findHeader(table: Table, words: ListWords): number | null {
  const rows = table
    .slice(0, LOOKED_AT)
    .map((row, at) => ({ at, score: headerScore(row, words), filled: row.filter((cell) => !isBlank(cell)).length }));
  const best = rows.reduce((most, { score }) => Math.max(most, score), 0);
  if (best < 1.9) return headerByContrast(table);
  // Captions above a header say as much as it, of fewer columns.
  const near = rows.filter(({ score }) => score >= 1.9 && score >= best - 0.5);
  const { at } = near.toSorted((a, b) => b.filled - a.filled || a.at - b.at)[0]!;
  return rows.find((row) => row.score >= 1.9 && row.at < at && isTableAbove(table, row.at, at))?.at ?? at;
}

/** Whether the better header is that of a second table of the list: rows stand between the two. */
const isTableAbove = (table: Table, above: number, at: number): boolean =>
  areOfOneList(table[above]!, table[at]!) &&
  table.slice(above + 1, at).some((row) => row.filter((cell) => !isBlank(cell)).length > 2);

/**
 * A header in words nobody knows: the first row as wide as those below it, all words, where a column below it is all numbers and none of its
 * words is said again.
 */
function headerByContrast(table: Table): number | null {
  const at = table.findIndex((row) => row.filter((cell) => !isBlank(cell)).length > 1);
  const row = table[at];
  const below = table.slice(at + 1, at + 1 + LOOKED_AT).filter((one) => !isEmpty(one));
  if (!row || below.length === 0 || row.length < below.reduce((most, one) => Math.max(most, one.length), 0))
    return null;
  if (row.some((cell) => isBlank(cell) || cell.trim().length > 40 || numberLook(cell) !== null)) return null;
  const columns = row.map((_, place) => below.map((one) => (one[place] ?? '').trim()).filter((cell) => cell !== ''));
  if (columns.some((cells, place) => cells.includes(row[place]!.trim()))) return null;
  const isNumbers = (cells: readonly string[]) =>
    cells.length > below.length / 2 && cells.every((cell) => numberLook(cell) !== null || digitsOf(cell) !== null);
  return columns.some(isNumbers) ? at : null;
}

/** How much a row reads like a header: a point for each cell that is a known one, less for numbers and long texts. */
function headerScore(row: readonly string[], words: ListWords): number {
  const { meaningOf, options } = words;
  let score = 0;
  let filled = 0;
  const seen = new Set<string>();
  for (const cell of row) {
    const text = cell.trim();
    if (text === '') continue;
    filled += 1;
    const meant = text.length <= 40 ? meaningOf(text) : null;
    const said = meant ? JSON.stringify(meant.meaning) : text;
    if (meant && !seen.has(said)) score += meant.certainty;
    else if (text.length <= 40 && headSaying(text, words)) score += 0.5;
    else if (digitsOf(text) || (isAmount(text) && !HALF_SIZE.test(text))) score -= 1.5;
    else if (!meant && numberLook(text) !== 'whole' && options.whole(tokensOf(text))?.roles[0] === 'size') score += 0.5;
    else if (text.length > 40) score -= 0.5;
    seen.add(said);
  }
  // A list of one column has a header of one word.
  return filled > 1 ? score : row.length === 1 && score >= 1 ? 2 : 0;
}

const isAmount = (text: string) => numberLook(text) === 'decimal' || numberLook(text) === 'money';
/** Shoes are made in halves, and sizes stand in headers. */
const HALF_SIZE = /^\d{1,2}[.,]5$/;

/** One line or two: captions stand above ("Size" over S, M, L), or more words below. */
function headerLines(table: Table, at: number, words: ListWords): number[] {
  if (isCaptions(table, at - 1, at, words)) return [at - 1, at];
  if (isSecondLine(table, at, words)) return [at, at + 1];
  return [at];
}

/** A row of few captions above the header: known words or sizes, over columns that go on below. */
function isCaptions(table: Table, above: number, at: number, { meaningOf, options }: ListWords): boolean {
  const row = table[above];
  if (!row) return false;
  const filled = row.flatMap((cell, place) => (isBlank(cell) ? [] : [place]));
  const isValue = (place: number) => plainHead(row[place]!.trim(), options) !== null;
  const isWord = (place: number) => meaningOf(row[place]!.trim()) !== null || isValue(place);
  const known = filled.filter((place) => row[place]!.trim().length <= 40 && isWord(place));
  const isTitle = filled.length === 1 && filled[0] === 0;
  if (known.length === 0 || isTitle || filled.some((place) => numberLook(row[place]!) && !isValue(place))) return false;
  // A row of goods would have something under most of its cells.
  const header = table[at]!.filter((cell) => !isBlank(cell)).length;
  return (
    new Set(filled.map((place) => row[place]!.trim())).size < header &&
    known.length * 2 >= new Set(filled.map((place) => row[place]!.trim())).size
  );
}

/** A row of sizes or units right below, nothing under the name of the goods. */
function isSecondLine(table: Table, at: number, { meaningOf, options }: ListWords): boolean {
  const head = table[at]!;
  const row = table[at + 1];
  if (!row) return false;
  const filled = row.flatMap((cell, place) => (isBlank(cell) ? [] : [place]));
  if (filled.length < 2 || filled.includes(0)) return false;
  const isData = (cell: string) => digitsOf(cell) !== null || isAmount(cell);
  if (filled.some((place) => isData(row[place]!))) return false;
  const sizes = filled.filter((place) => plainHead(row[place]!, options));
  const known = filled.filter((place) => meaningOf(row[place]!) !== null);
  if (sizes.length + known.length < filled.length * 0.6) return false;
  // Captions go over what stands below: the cell above is empty, or says the same as its neighbour.
  const under = filled.filter(
    (place) => isBlank(head[place]) || head[place] === head[place - 1] || head[place] === head[place + 1],
  );
  // Or each stands below a size: "EAN" and "Quantity" again and again.
  const isAgain = new Set(known.map((place) => row[place])).size < known.length;
  return isAgain || (under.length >= Math.min(filled.length - 2, filled.length / 2) && under.length > 0);
}

/** Headers of two lines in one: a caption goes on to the right over what it has below it. */
function joined(table: Table, rows: readonly number[], width: number): Pick<TableFound, 'headers' | 'below'> {
  const cell = (row: number, place: number) => (table[row]?.[place] ?? '').trim().replace(/\s+/g, ' ');
  const places = Array.from({ length: width }, (_, place) => place);
  if (rows.length === 0) return { headers: places.map(() => ''), below: places.map(() => '') };
  const last = rows.at(-1)!;
  const below = places.map((place) => cell(last, place));
  if (rows.length === 1) return { headers: below, below };
  // What stands again and again below captions needs them: "Quantity" of S, of M and of L.
  const isAgain = (under: string) => under !== '' && below.indexOf(under) !== below.lastIndexOf(under);
  let caption = '';
  const headers = places.map((place) => {
    const above = cell(rows[0]!, place);
    const under = below[place]!;
    if (above !== '') caption = above;
    else if (under === '') caption = '';
    const top = above !== '' || isShort(under) || isAgain(under) ? (above !== '' ? above : caption) : '';
    return top === '' || foldHeader(top) === foldHeader(under) ? under || top : under === '' ? top : `${top} ${under}`;
  });
  return { headers, below };
}
const isShort = (text: string) => text !== '' && text.length <= 6;

function reasonToSkip(at: number, headerRows: readonly number[], table: Table, words: ListWords): SkipReason | null {
  const row = table[at]!;
  const first = row.find((cell) => !isBlank(cell)) ?? '';
  const isOne = row.indexOf(first) === row.findLastIndex((cell) => !isBlank(cell));
  const header = headerRows.length > 0 ? table[headerRows.at(-1)!]! : [];
  if (!isOne && row.every((cell, place) => cell.trim() === (header[place] ?? '').trim())) return 'header';
  if ((looksLikeTotal(first) && isTotal(at, table)) || (isTax(first) && filledIn(row) * 2 <= row.length))
    return 'total';
  if (!isOne) return null;
  if (row.length <= 1) return null;
  const text = first.trim();
  if (saysName(text, words)) return 'section';
  if (goesOnBelow(row.indexOf(first), at, table, words.meaningOf((header[row.indexOf(first)] ?? '').trim()), words))
    return null;
  return text.length > 60 || /[.!?]$/.test(text) || /^\*|:\s/.test(text)
    ? 'note'
    : numberLook(text)
      ? 'total'
      : 'section';
}

/** A size alone, right below another of its column, of the goods in the rows above it. */
function goesOnBelow(
  place: number,
  at: number,
  table: Table,
  head: HeaderMeaning | null,
  { options }: ListWords,
): boolean {
  const text = table[at]![place]!.trim();
  if (place === 0 || isBlank(table[at - 1]?.[place])) return false;
  const isNumber = numberLook(text) !== null;
  if (head?.meaning.is === 'option') return isNumber || options.whole(tokensOf(text)) !== null;
  return head === null && isNumber && !isSum(place, at, table, 1);
}

const filledIn = (row: readonly string[] = []): number => row.filter((cell) => !isBlank(cell)).length;

/** Whether a row that begins so says no more than sums: "Total Repair Balm" with all that goods have is goods. */
function isTotal(at: number, table: Table): boolean {
  const row = table[at]!;
  if (row.filter((cell) => !isBlank(cell) && numberLook(cell) === null).length > 2) return false;
  const isAlone = isBareTotal(row.find((cell) => !isBlank(cell))!);
  return (
    isAlone ||
    filledIn(row) < filledIn(table[at - 1]) ||
    row.some((cell, place) => numberLook(cell) && isSum(place, at, table, 2))
  );
}

/** So far up it is looked what a number may be the sum of. */
const SUMMED = 1000;

/** Whether a number is the sum of those above it, of which there are so many at least. */
function isSum(place: number, at: number, table: Table, fewest: number): boolean {
  const amountAt = (row: number) => roughAmount(table[row]![place]!) ?? NaN;
  let [sum, up] = [0, at - 1];
  for (; up >= Math.max(0, at - SUMMED) && numberLook(table[up]![place] ?? '') !== null; up--) sum += amountAt(up);
  return at - 1 - up >= fewest && Math.abs(sum - amountAt(at)) < 0.005;
}

/** "Style: Fell Jacket": what the rows below are called. */
function saysName(text: string, { meaningOf }: ListWords): boolean {
  const label = /^([^:]{2,20}):\s+\S/.exec(text)?.[1];
  const meaning = label === undefined ? undefined : meaningOf(label)?.meaning;
  return meaning?.is === 'field' && (meaning.key === 'name' || meaning.key === 'styleCode');
}
