/** What the cells of a column look like, taken together. */
import { ROLES, type Role } from '../../family/shape';
import { foldLetters } from '../../text/letters';
import { asOneColour } from '../options/asOneColour';
import type { OptionReader } from '../options/readOptions';
import { tokensOf } from '../options/tokens';
import {
  isBlank,
  kindOf,
  looksLikeAddress,
  looksLikeGtin,
  looksLikePicture,
  namedOptions,
  numberLook,
  saysWhether,
} from './cells';
import type { ListWords } from './headerWords';
import type { Table } from './shape';

/** Shares are of the cells that are filled, from 0 to 1. */
export interface Contents {
  /** Cells that are filled, of those looked at. */
  filled: number;
  looked: number;
  distinct: number;
  /** Filled cells that say what none before said. */
  uniqueShare: number;
  gtin: number;
  picture: number;
  address: number;
  /** With a currency or decimals; a number of whatever kind. */
  money: number;
  number: number;
  named: number;
  kind: number;
  percent: number;
  /** Cells that are the name of a role: "Colour", "Size". */
  roleName: number;
  /** No blanks, with digits: codes. */
  code: number;
  letters: number;
  /** Marks and words that say whether there is one. */
  whether: number;
  /** Whole numbers that count on, from 1 again and again. */
  isRunning: boolean;
  averageLength: number;
  averageWords: number;
  /** The role most of the distinct cells may have, and their share. */
  role: { role: Role; share: number } | null;
  /** Share of cells that hold several options of different roles: "Navy / XL". */
  several: number;
  /** Share of the distinct cells that are of some other role than most, and cannot be of that. */
  others: number;
}

/** So many cells are looked at, spread over the list. */
const SAMPLE = 400;

/** Looks at a column; `rows` are the places of the rows of goods. */
export function contentsOf(
  table: Table,
  rows: readonly number[],
  at: number,
  { meaningOf, options }: ListWords,
): Contents {
  const step = Math.max(1, Math.floor(rows.length / SAMPLE));
  const cells: string[] = [];
  let looked = 0;
  // Neighbours are looked at in pairs: codes of one family stand beside each other.
  for (let place = 0; place < rows.length; place += place % (2 * step) === 0 && step > 1 ? 1 : step) {
    looked += 1;
    const cell = table[rows[place]!]![at];
    if (!isBlank(cell)) cells.push(cell!.trim());
  }
  const count = (test: (cell: string) => boolean) =>
    cells.length === 0 ? 0 : cells.filter(test).length / cells.length;
  const folded = new Set(cells.map((cell) => foldLetters(cell)));
  return {
    filled: cells.length,
    looked,
    distinct: folded.size,
    uniqueShare: cells.length === 0 ? 0 : folded.size / cells.length,
    gtin: count(looksLikeGtin),
    picture: count((cell) => cell.split(/[\s,;|]+/).every(looksLikePicture)),
    address: count(looksLikeAddress),
    money: count((cell) => numberLook(cell) === 'money' || numberLook(cell) === 'decimal'),
    number: count((cell) => numberLook(cell) !== null),
    named: count((cell) => cell.length < 300 && namedOptions(cell) !== null),
    kind: count((cell) => kindOf(cell) !== null),
    percent: count((cell) => /\d\s*%/.test(cell)),
    roleName: count(
      (cell) => cell.length < 30 && meaningOf(cell)?.meaning.is === 'option' && meaningOf(cell)!.certainty === 1,
    ),
    code: count((cell) => /^[\p{L}\d][\p{L}\d._/-]*$/u.test(cell) && /\d|[_/]|^[A-Z-]+$|-.*-/.test(cell)),
    letters: count((cell) => /\p{L}{2}/u.test(cell)),
    whether: count(saysWhether),
    isRunning: isRunning(table, rows, at),
    averageLength: average(cells.map((cell) => cell.length)),
    averageWords: average(cells.map((cell) => cell.split(/\s+/).length)),
    ...optionsAmong([...folded].slice(0, 200), options),
  };
}

/** 1, 2, 3, 1, 2: places of rows within their families. */
function isRunning(table: Table, rows: readonly number[], at: number): boolean {
  const numbers = rows.slice(0, SAMPLE).map((row) => (table[row]![at] ?? '').trim());
  const goesOn = (text: string, before: string | undefined) =>
    /^0*1$/.test(text) || (before !== undefined && /^\d+$/.test(text) && Number(text) === Number(before) + 1);
  return (
    numbers.length > 2 && numbers.includes('1') && numbers.every((text, place) => goesOn(text, numbers[place - 1]))
  );
}

const average = (numbers: readonly number[]) =>
  numbers.length === 0 ? 0 : numbers.reduce((sum, one) => sum + one, 0) / numbers.length;

/** A colour with its pattern is one thing. */
const kindsOf = (roles: ReadonlySet<Role>): number =>
  roles.size - (roles.has('colour') && roles.has('pattern') ? 1 : 0);

function optionsAmong(cells: readonly string[], options: OptionReader): Pick<Contents, 'role' | 'several' | 'others'> {
  const counts = new Map<Role, number>();
  let [several, known] = [0, 0];
  for (const cell of cells) {
    if (cell.length > 80) continue;
    const tokens = tokensOf(cell);
    const whole = options.whole(tokens);
    if (whole) {
      known += 1;
      whole.roles.forEach((role, place) => counts.set(role, (counts.get(role) ?? 0) + (place === 0 ? 1 : 0.9)));
    } else {
      const found = asOneColour(options.read(tokens));
      const roles = new Set(found.flatMap((one) => one.roles.slice(0, 1)));
      const isTaken = (at: number) => found.some(({ from, to }) => at >= from && at < to);
      if (tokens.some(({ kind }, at) => kind !== 'sign' && !isTaken(at))) continue;
      const [role] = roles;
      if (kindsOf(roles) > 1) several += 1;
      // "38, 39, 40": a list of sizes is one kind of option, too.
      else if (role) {
        known += 1;
        counts.set(role, (counts.get(role) ?? 0) + 1);
      }
    }
  }
  const [best] = ROLES.filter((role) => counts.has(role)).sort((a, b) => counts.get(b)! - counts.get(a)!);
  return {
    role: best && cells.length > 0 ? { role: best, share: Math.min(1, counts.get(best)! / cells.length) } : null,
    several: cells.length === 0 ? 0 : several / cells.length,
    others: best === undefined ? 0 : Math.max(0, known - counts.get(best)!) / cells.length,
  };
}
