/** Sizes that a spreadsheet took for days: "10-12" stands there as "12-Oct", "6.5" as "6. Mai". Common practice. */
import { monthCalled } from '../../measure/readDate';
import { put } from '../filing';
import type { ListColumn, Table } from './shape';

export interface SizeDate {
  /** Place of its row, from 0. */
  at: number;
  column: ListColumn;
  /** The cell as it stands. */
  text: string;
  /** The sizes that it may have been: one is put in its place, of several none. */
  readings: string[];
}

/** Languages whose months spreadsheets write, beside English. */
const LANGUAGES = ['de', 'fr', 'es', 'it', 'nl', 'pt', 'pl'];

const RANGE = /^\d{1,2}(\s*[-–/]\s*)\d{1,2}$/;
const NUMBER = /^\d{1,2}(?:([.,])5)?$/;

/**
 * Finds days in columns of sizes and what they were: the two numbers of a day, the smaller first, as the other cells part theirs; where its
 * month is May, a half size. Where both are possible, what the other cells are decides.
 * @param body places of the rows of goods
 */
export function findSizeDates(table: Table, body: readonly number[], columns: readonly ListColumn[]): SizeDate[] {
  const nameAt = columns.find(({ meaning }) => meaning.is === 'field' && meaning.key === 'name')?.at ?? -1;
  return columns.filter(mayBeSizes).flatMap((column) => {
    const textAt = (at: number) => (table[at]![column.at] ?? '').trim();
    const days = new Map<string, Day | null>();
    for (const at of body) if (!days.has(textAt(at))) days.set(textAt(at), numbersOfDay(textAt(at)));
    const found = body.filter((at) => days.get(textAt(at)));
    if (found.length === 0) return [];
    const all = [...days].flatMap(([text, day]) => (day || text === '' ? [] : [text]));
    const byName = new Map<string, Set<string>>();
    for (const at of body) if (!days.get(textAt(at))) put(byName, table[at]![nameAt] ?? '', textAt(at));
    return found.map((at) => {
      const day = days.get(textAt(at))!;
      // What else the goods come in tells best, then what all others do.
      const own = readingsOf(day, [...(byName.get(table[at]![nameAt] ?? '') ?? [])]);
      return { at, column, text: textAt(at), readings: own.length === 1 ? own : readingsOf(day, all) };
    });
  });
}

/** The table with a size in the place of each day that was one for sure. */
export function withSizes(table: Table, dates: readonly SizeDate[]): Table {
  const sure = dates.filter(({ readings }) => readings.length === 1);
  if (sure.length === 0) return table;
  const rows = [...table];
  for (const { at, column, readings } of sure) rows[at] = rows[at]!.with(column.at, readings[0]!);
  return rows;
}

const mayBeSizes = ({ meaning }: ListColumn): boolean => meaning.is === 'option' && meaning.role === 'size';

/** What a day may have been among the other values of its column. */
function readingsOf({ day, month }: Day, others: readonly string[]): string[] {
  const between = others.map((text) => RANGE.exec(text)?.[1]).find((sign) => sign !== undefined);
  const mark = others.map((text) => NUMBER.exec(text)?.[1]).find((sign) => sign !== undefined);
  const range = day === month ? [] : [[Math.min(day, month), Math.max(day, month)].join(between ?? '-')];
  const half = month === 5 ? [`${day}${mark ?? '.'}5`] : [];
  if (range.length + half.length < 2) return [...range, ...half];
  const areNumbers = others.some((text) => NUMBER.test(text));
  if (areNumbers === (between !== undefined)) return [...range, ...half];
  return areNumbers ? half : range;
}

interface Day {
  day: number;
  month: number;
}

/** The numbers of a day, whatever its year; null for what is no day. */
function numbersOfDay(text: string): Day | null {
  const [, year, month, day] = /^(\d{4})-(\d\d)-(\d\d)(?:[T ].*)?$/.exec(text) ?? [];
  if (year) return asDay(day!, Number(month));
  const numbers = /^(\d{1,2})([./])(\d{1,2})\2(?:\d{4}|\d{2})$/.exec(text);
  if (numbers) return asDay(numbers[1]!, Number(numbers[3]));
  const [, before, name, after] =
    /^(?:(\d{1,2})\.?[-\s]{0,2})?(\p{L}{3,12})\.?(?:[-\s]{1,2}(\d{1,2}))?$/u.exec(text) ?? [];
  if (!name || (before === undefined) === (after === undefined)) return null;
  const named = monthCalled(name, LANGUAGES);
  return named === null ? null : asDay((before ?? after)!, named);
}

const asDay = (day: string, month: number): Day | null =>
  Number(day) >= 1 && Number(day) <= 31 && month >= 1 && month <= 12 ? { day: Number(day), month } : null;
