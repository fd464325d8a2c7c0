/** Columns beside each other: what one of them means says what the others do not. */
import type { Registry } from '../../registry/openRegistry';
import { ROLE_LABELS } from '../../registry/roles';
import type { Contents } from './contents';
import { isGenericOption } from './headerWords';
import type { ListColumn, Meaning } from './shape';

type Guess = Pick<ListColumn, 'meaning' | 'confidence' | 'reason'>;
const IGNORED: Meaning = { is: 'ignored' };
const field = (key: string): Meaning => ({ is: 'field', key });

/** What the seller chose, now or for the last list of its kind, stays. */
const isSaid = (reason: ListColumn['reason']): boolean => reason === 'chosen' || reason === 'remembered';

/**
 * Settles columns in place, each as it was understood by itself; what the seller chose stays.
 * @param isChilds whether a code that stands several times is that of one child all the same
 */
export function settleColumns(
  registry: Registry,
  columns: ListColumn[],
  contents: readonly Contents[],
  isChilds: (code: ListColumn) => boolean,
): void {
  settleLengths(columns);
  settleOptionPairs(columns, contents);
  settleColours(columns, contents);
  settleNames(registry, columns, contents);
  settleCodes(columns, contents, isChilds);
  settleTwins(columns, contents);
  settleLeftOver(columns, contents);
  settleTotals(columns);
}

/** "Length" beside "Width" and "Height" is the parcel's. */
function settleLengths(columns: ListColumn[]): void {
  const hasSides = columns.some(({ meaning }) => meaning.is === 'field' && /^package(Width|Height)$/.test(meaning.key));
  if (!hasSides) return;
  for (const column of columns)
    if (column.meaning.is === 'option' && column.meaning.role === 'length' && !isSaid(column.reason))
      column.meaning = field('packageLength');
}

/** A column of names such as "Colour" is followed by the one of its values. */
function settleOptionPairs(columns: ListColumn[], contents: readonly Contents[]): void {
  let number = Math.max(0, ...columns.map(({ meaning }) => ('number' in meaning ? meaning.number : 0)));
  columns.forEach((column, at) => {
    if (isSaid(column.reason)) return;
    const next = columns[at + 1];
    const isNames = contents[at]!.roleName > 0.9;
    const { meaning } = column;
    if (isNames && meaning.is === 'optionValue') column.meaning = { is: 'optionName', number: meaning.number };
    if (!isNames || 'number' in meaning || !next || contents[at]!.distinct > 9) return;
    number += 1;
    Object.assign(column, { meaning: { is: 'optionName', number }, confidence: 0.9, reason: 'content' });
    Object.assign(next, { meaning: { is: 'optionValue', number }, confidence: 0.9, reason: 'beside' });
  });
  // Values whose names nobody gives are what they look like.
  for (const column of columns) {
    const { meaning } = column;
    if (meaning.is !== 'optionValue') continue;
    const isNamed = columns.some((one) => one.meaning.is === 'optionName' && one.meaning.number === meaning.number);
    if (isNamed) continue;
    const { role } = contents[column.at]!;
    if (role && role.share > 0.5)
      Object.assign(column, {
        meaning: { is: 'option', role: role.role, label: ROLE_LABELS[role.role] },
        reason: 'content',
      } satisfies Partial<Guess>);
    else column.meaning = { is: 'option', role: 'other', label: column.header.slice(0, 40) };
  }
}

/** Some known colours among words nobody knows, beside sizes: where a list has no other column of colours, an "Option 1" of words is it. */
function settleColours(columns: ListColumn[], contents: readonly Contents[]): void {
  const roles = new Set(columns.flatMap(({ meaning }) => ('role' in meaning ? [meaning.role] : [])));
  if (roles.has('colour') || !roles.has('size') || columns.some(({ meaning }) => meaning.is === 'optionName')) return;
  const column = columns.find(({ at, header, meaning, reason }) => {
    const { role, letters, code } = contents[at]!;
    const isOpen = meaning.is === 'option' && meaning.role === 'other' && isGenericOption(header) && !isSaid(reason);
    return isOpen && letters > 0.8 && code < 0.5 && role?.role === 'colour' && role.share >= KNOWN_COLOURS;
  });
  if (column)
    Object.assign(column, {
      meaning: { is: 'option', role: 'colour', label: ROLE_LABELS.colour },
      confidence: 0.6,
      reason: 'content',
    } satisfies Guess);
}
const KNOWN_COLOURS = 0.1;

/** One column is the name: of several the one of most words; of none the texts that look most like it. */
function settleNames(registry: Registry, columns: ListColumn[], contents: readonly Contents[]): void {
  const named = columns.filter(({ meaning }) => meaning.is === 'field' && meaning.key === 'name');
  const chosen = named.find((column) => isSaid(column.reason));
  if (named.length > 1) {
    const best = chosen ?? named.toSorted((a, b) => nameScore(contents[b.at]!) - nameScore(contents[a.at]!))[0]!;
    for (const column of named) {
      if (column === best) continue;
      const { code, uniqueShare } = contents[column.at]!;
      column.confidence = 0.5;
      if (code > 0.8) column.meaning = field(uniqueShare > 0.9 ? 'sku' : 'styleCode');
      else yieldTo(best, column);
    }
  }
  const isNumber = ({ at, reason }: ListColumn) => {
    const { code, uniqueShare, averageWords } = contents[at]!;
    return !isSaid(reason) && code > 0.9 && uniqueShare > 0.9 && averageWords === 1;
  };
  const hasSku = columns.some(({ meaning }) => meaning.is === 'field' && meaning.key === 'sku');
  const [only] = named;
  if (only && (named.length > 1 || hasSku || !isNumber(only))) return;
  const texts = columns.filter(
    ({ at, meaning, reason }) =>
      !isSaid(reason) &&
      (meaning.is === 'ignored' || (meaning.is === 'field' && mayBeNames(meaning.key, contents[at]!))) &&
      contents[at]!.letters > 0.8 &&
      contents[at]!.averageLength < 90 &&
      contents[at]!.code < 0.6 &&
      contents[at]!.picture + contents[at]!.address < 0.3,
  );
  const [best] = texts.toSorted((a, b) => nameScore(contents[b.at]!) - nameScore(contents[a.at]!));
  if (!best || !registry.field('name')) return;
  // "Article" may be its number, where a text beside it says what it is called.
  if (only) Object.assign(only, { meaning: field('sku'), confidence: 0.7, reason: 'both' } satisfies Guess);
  Object.assign(best, { meaning: field('name'), confidence: 0.6, reason: 'content' } satisfies Guess);
}
/** Long texts may be names, and so may "styles" that are words and no codes. */
const mayBeNames = (key: string, { code }: Contents): boolean =>
  ['description', 'shortText'].includes(key) || (key === 'styleCode' && code < 0.3);
const nameScore = ({ averageWords, uniqueShare, code }: Contents) => Math.min(averageWords, 8) + uniqueShare - 3 * code;

/** A code that every row has for itself is the SKU; one that rows share holds families together. */
function settleCodes(
  columns: ListColumn[],
  contents: readonly Contents[],
  isChilds: (code: ListColumn) => boolean,
): void {
  const codes = (key: string) =>
    columns.filter(({ meaning, reason }) => meaning.is === 'field' && meaning.key === key && !isSaid(reason));
  const hasAcross = columns.some(({ meaning }) => meaning.is === 'across');
  const skus = codes('sku');
  const styles = codes('styleCode');
  const unique = (column: ListColumn) => contents[column.at]!.uniqueShare;
  if (skus.length === 0 && !columns.some(({ meaning }) => meaning.is === 'field' && meaning.key === 'sku')) {
    const [own] = styles.filter((column) => unique(column) > 0.97 && !hasAcross && contents[column.at]!.filled > 3);
    if (own && styles.length > 1) own.meaning = field('sku');
  }
  if (skus.length > 1) {
    const best = skus.toSorted((a, b) => unique(b) - unique(a) || b.confidence - a.confidence)[0]!;
    for (const column of skus) {
      if (column === best) continue;
      if (unique(column) < 0.9 && styles.length === 0) column.meaning = field('styleCode');
      else yieldTo(best, column);
    }
  } else if (
    skus.length === 1 &&
    styles.length === 0 &&
    unique(skus[0]!) < 0.75 &&
    !hasAcross &&
    contents[skus[0]!.at]!.filled > 3 &&
    !isChilds(skus[0]!)
  )
    skus[0]!.meaning = field('styleCode');
}

/** Leaves a column alone for another of the same meaning; where their headers are the same, it is said. */
function yieldTo(winner: ListColumn, loser: ListColumn): void {
  loser.meaning = IGNORED;
  if (isSameHeader(winner, loser)) loser.reason = 'twice';
}
const isSameHeader = (one: ListColumn, other: ListColumn) => withoutTime(one.header) === withoutTime(other.header);
/** The header as it stands: of several alike the later ones have a number behind. */
const withoutTime = (header: string) => header.replace(/#\d+$/, '');

/** What can stand once only stands where it is surest; the others are left alone, and it is said. */
function settleTwins(columns: ListColumn[], contents: readonly Contents[]): void {
  const best = new Map<string, ListColumn>();
  // Of "Colour code" and "Colour name" the names are the colours.
  const sureness = ({ at, meaning, confidence }: ListColumn) => {
    const { role } = contents[at]!;
    return confidence + (meaning.is === 'option' && role?.role === meaning.role ? role.share : 0);
  };
  for (const column of columns) {
    const { meaning } = column;
    if (meaning.is === 'ignored' || meaning.is === 'picture') continue;
    const key =
      meaning.is === 'option'
        ? `option ${meaning.role} ${meaning.role === 'other' ? meaning.label : ''}`
        : JSON.stringify(meaning);
    const before = best.get(key);
    if (!before) best.set(key, column);
    else {
      const isBetter = sureness(column) > sureness(before) && !isSaid(before.reason);
      const [winner, loser] = isBetter ? [column, before] : [before, column];
      best.set(key, winner);
      const isOption = meaning.is === 'option' && meaning.role !== 'other';
      loser.meaning = isOption ? { ...meaning, role: 'other', label: loser.header.slice(0, 40) } : IGNORED;
      // A colour's number beside its name is something else, and not the same twice.
      if (!isOption || isSameHeader(winner, loser)) loser.reason = 'twice';
      loser.confidence = 0.4;
    }
  }
}

/** Numbers under words nobody knows may count anything ("Pos. no."); without a header they are pieces most often. */
const UNNAMED = /^Column \d+$/;

/** What is left: a column of codes for each row is the SKU, prices and pieces are what is still missing. */
function settleLeftOver(columns: ListColumn[], contents: readonly Contents[]): void {
  const has = (key: string) => columns.some(({ meaning }) => meaning.is === 'field' && meaning.key === key);
  const give = (key: string, confidence: number, test: (one: Contents, header: string) => boolean) => {
    if (has(key)) return;
    const column = columns.find(
      ({ at, header, meaning, reason }) =>
        meaning.is === 'ignored' && reason === 'nothing' && contents[at]!.filled > 0 && test(contents[at]!, header),
    );
    if (column) Object.assign(column, { meaning: field(key), confidence, reason: 'content' } satisfies Guess);
  };
  const recommended = columns.find(
    ({ meaning, reason }) => meaning.is === 'field' && meaning.key === 'listPrice' && !isSaid(reason),
  );
  // Where a list has no other price for buyers, the recommended one is the price.
  if (recommended && !has('price')) Object.assign(recommended, { meaning: field('price'), confidence: 0.75 });
  give('sku', 0.6, (one) => one.code > 0.9 && one.uniqueShare > 0.95 && one.number < 0.5 && one.averageLength >= 4);
  give('price', 0.5, (one) => one.money > 0.7);
  give(
    'stock',
    0.4,
    (one, header) => one.number > 0.9 && one.money < 0.1 && one.averageLength < 5 && UNNAMED.test(header),
  );
}

/** Beside sizes that go across, a column of pieces is their sum. */
function settleTotals(columns: ListColumn[]): void {
  const hasPieces = columns.some(({ meaning }) => meaning.is === 'across' && (meaning.key ?? 'stock') === 'stock');
  if (!hasPieces) return;
  for (const column of columns)
    if (column.meaning.is === 'field' && column.meaning.key === 'stock' && !isSaid(column.reason))
      column.meaning = IGNORED;
}
