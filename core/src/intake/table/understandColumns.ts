/** What each column of a list means: by its header and by what stands in it, with how sure that is. */
import type { Registry } from '../../registry/openRegistry';
import { ROLE_LABELS } from '../../registry/roles';
import { valueIn } from './acrossHeads';
import { findChildren } from './childrenColumn';
import { contentsOf, type Contents } from './contents';
import { HEADINGS, headingNames } from './headingNames';
import { isOfChild } from './sameChild';
import { settleColumns } from './settleColumns';
import type { TableFound } from './findTable';
import type { HeaderMeaning, ListWords } from './headerWords';
import type { ListColumn, ListMapping, Meaning, Table } from './shape';
import { valuesAcross } from './valuesAcross';

type Guess = Pick<ListColumn, 'meaning' | 'confidence' | 'reason'>;
const IGNORED: Meaning = { is: 'ignored' };
const field = (key: string): Meaning => ({ is: 'field', key });

/** The name of a column in a mapping: its header, with its number where the header stands twice. */
export function columnNames(headers: readonly string[]): string[] {
  const times = new Map<string, number>();
  return headers.map((header, at) => {
    const name = header.trim() === '' ? `Column ${at + 1}` : header.trim();
    const time = (times.get(name) ?? 0) + 1;
    times.set(name, time);
    return time === 1 ? name : `${name}#${time}`;
  });
}

/** Understands the columns of a table. What the mapping says holds as it is. */
export function understandColumns(
  registry: Registry,
  table: Table,
  found: TableFound,
  words: ListWords,
  mapping: ListMapping,
): ListColumn[] {
  const names = columnNames(found.headers);
  const contents = found.headers.map((_, at) => contentsOf(table, found.body, at, words));
  const across = valuesAcross(table, found, contents, words);
  const guesses = found.headers.map((header, at): Guess => {
    const said = mapping.columns[names[at]!];
    // The seller says what a column is; which value it is for stands in its header.
    const isByHeader = said?.is === 'across' && (said.value === header || said.value === names[at]);
    const chosen = isByHeader ? { ...said, value: valueIn(header, words) } : said;
    if (chosen) return { meaning: chosen, confidence: 1, reason: mapping.remembered ? 'remembered' : 'chosen' };
    const value = across.get(at);
    if (value) return { meaning: value, confidence: 0.95, reason: 'both' };
    if (contents[at]!.filled === 0) return { meaning: IGNORED, confidence: 1, reason: 'nothing' };
    return guess(words.meaningOf(header), contents[at]!);
  });
  const columns = guesses.map((one, at): ListColumn => ({ at, header: names[at]!, ...one }));
  findChildren(table, found.body, columns, contents);
  settleColumns(registry, columns, contents, (code) => isOfChild(table, found.body, columns, code));
  const headings = mapping.columns[HEADINGS] ? null : headingNames(table, found, columns, contents);
  return headings ? [...columns, headings] : columns;
}

/** What header and cells say together. */
function guess(header: HeaderMeaning | null, contents: Contents): Guess {
  if (header) {
    const agreed = agree(header.meaning, contents, header.certainty);
    if (agreed) return { ...agreed, confidence: Math.min(1, agreed.confidence * header.certainty) };
  }
  return guessByContents(contents) ?? { meaning: IGNORED, confidence: 0.3, reason: 'nothing' };
}

/** The header's meaning as the cells bear it out; null where they deny it. */
function agree(meaning: Meaning, contents: Contents, certainty: number): Guess | null {
  const by = (confidence: number, reason: ListColumn['reason'] = 'header', other = meaning): Guess => ({
    meaning: other,
    confidence,
    reason,
  });
  if (meaning.is === 'option') {
    if (contents.percent > 0.5) return by(0.9, 'both', field('composition'));
    if (contents.averageLength > 60) return null;
    // What is called by no kind of option may well hold several.
    const isSeveral = contents.several > (meaning.role === 'other' ? 0.3 : 0.5);
    if (contents.named > 0.6 || isSeveral) return by(0.9, 'both', { is: 'options' });
    const isKnown = contents.role && contents.role.share > 0.5;
    return by(isKnown ? 0.98 : 0.85, isKnown ? 'both' : 'header');
  }
  if (meaning.is === 'options') {
    // "Variant" may be what a channel calls its code, or its place in the family.
    if (contents.isRunning) return null;
    if (contents.code > 0.9 && contents.uniqueShare > 0.95 && !contents.role) return null;
    if (contents.named > 0.5 || contents.several > 0.3) return by(0.95, 'both');
    // "Size/Colour": one of them in each cell.
    if (contents.others > 0.25) return by(0.8, 'both');
    if (contents.role && contents.role.share >= 0.5)
      return by(0.85, 'content', { is: 'option', role: contents.role.role, label: ROLE_LABELS[contents.role.role] });
    return by(0.6);
  }
  // "Line" may be the number of a line, and "Range" how far sizes go.
  if (meaning.is === 'line') return contents.letters > 0.8 && (contents.role?.share ?? 0) < 0.6 ? by(0.8) : null;
  if (meaning.is === 'kind') return contents.kind > 0.7 ? by(0.95, 'both') : null;
  if (meaning.is !== 'field') return by(0.9);
  switch (meaning.key) {
    case 'gtin':
      return contents.gtin > 0.5
        ? by(1, 'both')
        : contents.code + contents.number > 0.5 || contents.gtin > 0
          ? by(0.8)
          : null;
    case 'price':
    case 'listPrice':
    case 'cost':
    case 'stock':
      return contents.number > 0.6 ? by(0.98, 'both') : contents.number > 0.2 ? by(0.7) : null;
    case 'styleCode':
    case 'sku':
      // A header that only has a word of it ("Handle side") has to be borne out by codes.
      return certainty === 1 || contents.code + contents.number > 0.5 ? by(0.9) : null;
    case 'name':
      // Where names stand in lines of their own, their column may go on with the sizes.
      if (contents.role?.role === 'size' && contents.role.share > 0.95) return null;
      return contents.letters > 0.3 ? by(0.9) : contents.code > 0.8 ? by(0.5, 'header', field('sku')) : by(0.6);
    case 'description':
      return contents.letters > 0.3 ? by(0.9) : contents.code > 0.8 ? by(0.5, 'header', field('sku')) : by(0.6);
    default:
      return by(0.9);
  }
}

function guessByContents(contents: Contents): Guess | null {
  const by = (meaning: Meaning, confidence: number): Guess => ({ meaning, confidence, reason: 'content' });
  if (contents.gtin > 0.8 && contents.averageLength > 7) return by(field('gtin'), 0.9);
  if (contents.picture > 0.7) return by({ is: 'picture' }, 0.9);
  if (contents.address > 0.7) return by(IGNORED, 0.6);
  // Margins and reductions; "70 %" of chocolate has a header that says so, or names that do.
  if (contents.percent > 0.5) return null;
  if (contents.named > 0.7) return by({ is: 'options' }, 0.9);
  if (contents.several > 0.6) return by({ is: 'options' }, 0.8);
  if (contents.role && contents.role.share > 0.6 && contents.number < 0.5 && contents.averageWords < 4)
    return by({ is: 'option', role: contents.role.role, label: ROLE_LABELS[contents.role.role] }, 0.75);
  return null;
}
