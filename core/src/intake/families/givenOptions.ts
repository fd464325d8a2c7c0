/** The options that a row names by itself: in columns of their own, several in a cell, or as heads of columns with pieces below. */
import type { Role } from '../../family/shape';
import { compact } from '../../text/letters';
import { namedOptions, saysNone } from '../table/cells';
import { isGenericOption, type ListWords } from '../table/headerWords';
import type { ListColumn, Meaning } from '../table/shape';
import { optionsInCell, plainly } from './cellOptions';
import { remembered } from './remembered';
import type { Across, GivenOption } from './shape';

type ReadRow = (cells: readonly string[]) => readonly GivenOption[];

/** Reads the options that a row names by itself. */
export function openGiven(columns: readonly ListColumn[], { meaningOf, options }: ListWords) {
  const axisOf = (role: Role, label: string) => (role === 'other' ? `other ${compact(label)}` : role);
  const named = (name: string, text: string): GivenOption | null => {
    const meant = meaningOf(name)?.meaning;
    const role = meant?.is === 'option' ? meant.role : 'other';
    return text.trim() === '' ? null : { axis: axisOf(role, name), role, label: name.trim(), text: text.trim() };
  };
  /** What a column says in a row: one option, several in a cell, or one whose name stands in another column. */
  function readerOf({ at, header, meaning, reason }: ListColumn): ReadRow {
    const read = (work: (text: string) => GivenOption[]) => {
      const readCell = remembered((cell: string) => (isNothing(cell.trim()) ? [] : work(withoutMarks(cell))));
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
        return pairs ? pairs.flatMap(({ name, value }) => named(name, value) ?? []) : optionsInCell(cell, options);
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
  }
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

/** "Navy*", "S,": signs that a value ends with by oversight, or that point at a note. */
const withoutMarks = (cell: string): string => cell.trim().replace(/(?:[\s,;*]|(?<=\p{L}{3})\.)+$/u, '') || cell.trim();

/** What says in a column of options that there is none. */
const isNothing = (text: string): boolean => text === '' || /^(?:-|–|n\/a)$/i.test(text);

/** What says under a value that there is none of it. */
const isNone = (text: string): boolean => text === '' || saysNone(text);

/** Columns that say options. */
const OPTIONS = new Set<Meaning['is']>(['option', 'options', 'optionValue']);
