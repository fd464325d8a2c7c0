/** The options that a row names by itself: in columns of their own, several in a cell, or as heads of columns with pieces below. */
import type { Role } from '../../family/shape';
import { compact } from '../../pictures/match/fileWords';
import { ROLE_LABELS } from '../../registry/roles';
import { asOneColour } from '../options/asOneColour';
import { besideColour } from '../options/besideColour';
import type { OptionReader } from '../options/readOptions';
import { tokensOf, type Token } from '../options/tokens';
import { namedOptions } from '../table/cells';
import { isGenericOption, type HeaderMeaning } from '../table/headerWords';
import type { ListColumn, Meaning } from '../table/shape';
import { LINKS } from '../options/links';
import { remembered } from './remembered';
import type { Across, GivenOption } from './shape';

/** What headers mean, and what is an option. */
export interface ListWords {
  meaningOf: (header: string) => HeaderMeaning | null;
  options: OptionReader;
}

/** Reads the options that a row names by itself. */
export function openGiven(columns: readonly ListColumn[], { meaningOf, options }: ListWords) {
  const axisOf = (role: Role, label: string) => (role === 'other' ? `other ${compact(label)}` : role);
  const named = (name: string, text: string): GivenOption | null => {
    const meant = meaningOf(name)?.meaning;
    const role = meant?.is === 'option' ? meant.role : 'other';
    return text.trim() === '' ? null : { axis: axisOf(role, name), role, label: name.trim(), text: text.trim() };
  };
  const byLook = (text: string): GivenOption[] => {
    const tokens = tokensOf(text);
    const alone = asOneColour(options.read(tokens));
    // "Seaweed & Juniper": a cell that says a colour and no other option is that colour as a whole.
    if (alone.length > 0 && alone.every(({ roles }) => roles[0] === 'colour')) return [plainly('colour', text.trim())];
    const found = alone.map((one) =>
      one.roles[0] === 'colour' ? { ...one, ...besideColour(one, alone, tokens, isWord) } : one,
    );
    const given = found.map((one) =>
      plainly(one.roles[0]!, text.slice(tokens[one.from]!.from, tokens[one.to - 1]!.to)),
    );
    // "Kamel 36": where no colour is known the words that are left are one.
    if (given.some(({ role }) => role === 'colour')) return given;
    const rest = tokens.filter((token, at) => isWord(token) && !found.some(({ from, to }) => at >= from && at < to));
    if (rest.length === 0) return given;
    return [plainly('colour', text.slice(rest[0]!.from, rest.at(-1)!.to)), ...given];
  };
  /** A column of options, one of several in a cell, and one whose name stands in another column: what it says in a row. */
  const readerOf = ({
    at,
    header,
    meaning,
    reason,
  }: ListColumn): ((cells: readonly string[]) => readonly GivenOption[]) => {
    const read = (work: (text: string) => GivenOption[]) => {
      const readCell = remembered((cell: string) => (isNothing(cell.trim()) ? [] : work(cell.trim())));
      return (cells: readonly string[]) => readCell(cells[at] ?? '');
    };
    if (meaning.is === 'option') {
      const axis = { axis: axisOf(meaning.role, meaning.label), role: meaning.role, label: meaning.label };
      const guessed = reason === 'content' && isGenericOption(header) ? { isGuessed: true as const } : {};
      return read((text) => [{ ...axis, text, ...guessed }]);
    }
    if (meaning.is === 'options')
      return read((cell) => {
        const pairs = namedOptions(cell);
        return pairs ? pairs.flatMap(({ name, value }) => named(name, value) ?? []) : partsOf(cell, byLook, options);
      });
    if (meaning.is !== 'optionValue') return () => [];
    const names = columns.find((one) => one.meaning.is === 'optionName' && one.meaning.number === meaning.number);
    const byName = remembered((name: string) =>
      read((text) => {
        const one = named(name, text);
        return one ? [one] : [];
      }),
    );
    return (cells) => byName((names && cells[names.at]) || `Option ${meaning.number}`)(cells);
  };
  const readers = columns.filter(({ meaning }) => OPTIONS.has(meaning.is)).map(readerOf);
  const goingAcross = acrossIn(columns);
  return {
    /** The options of a row, one of each axis. What many rows say is the same object in all of them. */
    options(cells: readonly string[]): GivenOption[] {
      const given: GivenOption[] = [];
      for (const read of readers)
        for (const one of read(cells)) if (!given.some(({ axis }) => axis === one.axis)) given.push(one);
      return given;
    },
    /** The values of a row under which something stands. */
    across: (cells: readonly string[]): Across[] =>
      goingAcross.flatMap(({ across, telling }) =>
        telling.some((at) => !isNone((cells[at] ?? '').trim())) ? [across] : [],
      ),
  };
}

/** Values that go across, each with all columns that are for it, and with those that tell whether a row has it: a price does where nothing else is said. */
function acrossIn(columns: readonly ListColumn[]): { across: Across; telling: number[] }[] {
  const byValue = new Map<string, Across>();
  for (const { at, meaning } of columns) {
    if (meaning.is !== 'across') continue;
    const { role, value, key = 'stock' } = meaning;
    const id = `${role} ${compact(value)}`;
    const across = byValue.get(id) ?? { value: plainly(role, value), columns: {} };
    across.columns[key] ??= at;
    byValue.set(id, across);
  }
  return [...byValue.values()].map((across) => {
    const { price, ...others } = across.columns;
    const telling = Object.values(others);
    return { across, telling: telling.length > 0 ? telling : [price!] };
  });
}

/** What says under a value that there is none of it. */
const isNone = (text: string): boolean => text === '' || /^(?:-|–|n\/a|no|nein|non)$/i.test(text);

/** What says in a column of options that there is none. */
const isNothing = (text: string): boolean => text === '' || text === '-' || text === '–' || /^n\/a$/i.test(text);

/** Columns that say options. */
const OPTIONS = new Set<Meaning['is']>(['option', 'options', 'optionValue']);

const isWord = ({ kind, text }: Token): boolean => kind === 'word' && !LINKS.has(text);

const plainly = (role: Role, text: string): GivenOption => ({ axis: role, role, label: ROLE_LABELS[role], text });

/** "Navy / XL": values without names, told by what they look like; what nothing is known of stays an option of its own. */
function partsOf(cell: string, byLook: (text: string) => GivenOption[], options: OptionReader): GivenOption[] {
  const apart = /\s[/|–-]\s|[;|,]/.test(cell) ? /\s+[/|–-]\s+|\s*[;|,]\s*/ : /\//;
  const parts = cell.split(apart).filter((part) => part.trim() !== '');
  if (parts.length < 2) return byLook(cell);
  const read = parts.map((part) => ({ part: part.trim(), roles: options.whole(tokensOf(part))?.roles ?? [] }));
  const taken = new Set<Role>(read.flatMap(({ roles }) => (roles.length === 1 ? roles : [])));
  const isTwice = taken.size < read.filter(({ roles }) => roles.length === 1).length;
  if (isTwice) return byLook(cell);
  // A word that may be two things is what the others leave it; one nobody knows is a colour, where there is none.
  return read.map(({ part, roles }, at): GivenOption => {
    const wanted = roles.length === 1 ? roles[0]! : [...roles, 'colour' as const].find((role) => !taken.has(role));
    const role = wanted ?? 'other';
    taken.add(role);
    return { axis: role === 'other' ? `other ${at}` : role, role, label: ROLE_LABELS[role], text: part };
  });
}
