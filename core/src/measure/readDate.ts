/**
 * Days as people write them: 2027-03-01, 1.3.2027, 1 March 2027, Mar 1, 2027, 01/03/27. Between slashes the day and the month
 * can stand either way round: where both readings are days, the reader is told both, unless the column's habit is known.
 */
export interface DateHabit {
  /** Whether the day stands before the month. */
  dayFirst?: boolean | undefined;
}

export type DateReading =
  /** A day as ISO 8601 writes it. */
  { ok: true; date: string } | { ok: false; why: 'none' } | { ok: false; why: 'two'; readings: [string, string] };

const NONE: DateReading = { ok: false, why: 'none' };

/**
 * Reads a day of the calendar.
 * @param languages BCP 47 tags: names of months are known in these, and in English
 */
export function readDate(text: string, habit: DateHabit = {}, languages: readonly string[] = []): DateReading {
  const plain = text.trim().replace(/\s+/g, ' ');
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ]00:00(?::00)?(?:\.0+)?Z?)?$/.exec(plain);
  if (iso) return asDay(iso[1]!, iso[2]!, iso[3]!);
  const numbers = /^(\d{1,2})([./-]) ?(\d{1,2})\2 ?(\d{4}|\d{2})$/.exec(plain);
  if (numbers) return inEitherOrder(numbers as unknown as Written, habit);
  return withMonthName(plain, languages);
}

type Written = [whole: string, first: string, mark: string, second: string, year: string];

function inEitherOrder([, first, mark, second, year]: Written, { dayFirst }: DateHabit): DateReading {
  const before = asDay(fullYear(year), second, first);
  const after = asDay(fullYear(year), first, second);
  // Points stand in dates where the day comes first (common practice).
  if (mark === '.' || dayFirst === true) return before;
  if (dayFirst === false) return after;
  if (!before.ok) return after;
  if (!after.ok || after.date === before.date) return before;
  return { ok: false, why: 'two', readings: [before.date, after.date] };
}

function withMonthName(text: string, languages: readonly string[]): DateReading {
  const words =
    /^(?:(\d{1,2})(?:\.|st|nd|rd|th)? (?:of |de )?)?(\p{L}[\p{L}.]*)(?: (\d{1,2})(?:\.|st|nd|rd|th)?)?,? (?:de )?(\d{4}|\d{2})$/u.exec(
      text,
    );
  const [, before, name, after, year] = words ?? [];
  const day = before ?? after;
  if (!name || !year || day === undefined || (before !== undefined && after !== undefined)) return NONE;
  const month = monthCalled(name, languages);
  return month === null ? NONE : asDay(fullYear(year), String(month), day);
}

const foldMonth = (name: string) => name.toLowerCase().replaceAll('.', '');

/**
 * The month, 1 to 12, that a name means: written out, shortened as `Intl` does, or its first three letters; null for any other word.
 * @param languages BCP 47 tags: names of months are known in these, and in English
 */
export function monthCalled(name: string, languages: readonly string[]): number | null {
  const wanted = foldMonth(name);
  // German spreadsheets shorten "März" in their own way.
  if (wanted === 'mrz' && languages.includes('de')) return 3;
  for (const language of [...languages, 'en']) {
    for (const style of ['long', 'short'] as const) {
      const format = new Intl.DateTimeFormat(language, { month: style, day: 'numeric', timeZone: 'UTC' });
      for (let month = 0; month < 12; month++) {
        const parts = format.formatToParts(Date.UTC(2027, month, 1));
        const known = foldMonth(parts.find((part) => part.type === 'month')?.value ?? '');
        if (known === wanted || (wanted.length === 3 && known.startsWith(wanted))) return month + 1;
      }
    }
  }
  return null;
}

/** Two digits are years of this century: sales are of our day. */
const fullYear = (year: string) => (year.length === 2 ? `20${year}` : year);

/** 30 February is no day. */
function asDay(year: string, month: string, day: string): DateReading {
  const date = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const there = new Date(`${date}T00:00:00Z`);
  return !Number.isNaN(there.getTime()) && there.toISOString().slice(0, 10) === date ? { ok: true, date } : NONE;
}

/** The habit of a column: what its dates that can be read one way only say. None where they say nothing or contradict each other. */
export function dateHabitOf(cells: Iterable<string>): DateHabit {
  const seen = new Set<boolean>();
  for (const cell of cells) {
    const [, first, , second] = /^(\d{1,2})([/-])(\d{1,2})\2\d/.exec(cell.trim()) ?? [];
    if (first && second && Number(first) > 12 !== Number(second) > 12) seen.add(Number(first) > 12);
  }
  return seen.size === 1 ? { dayFirst: [...seen][0] } : {};
}
