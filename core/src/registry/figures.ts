/** Figures of a field: read from what was typed, checked where they come as data, shown in a cell. */
import { readGtin } from '../identifiers/gtin';
import { readSku } from '../identifiers/sku';
import { dateHabitOf, readDate, type DateHabit } from '../measure/readDate';
import { habitOf, readNumber, type NumberHabit, type NumberReading } from '../measure/readNumber';
import { readLength, readWeight, type LengthUnit, type MeasureReading, type WeightUnit } from '../measure/units';
import { compareAmounts, readAmount, toCurrency } from '../money/amount';
import { readSurcharge, showSurcharge } from '../money/surcharge';
import { unreadable, type Unreadable } from '../refusal/refusal';
import { readParts } from '../bundles/parts';
import { readComposition } from '../wording/composition';
import { cleanMarkup, isMarkup, plainText } from '../wording/markup';
import type { Figure } from '../family/shape';
import type { Field } from './field';
import type { Column, ColumnGroup } from '../family/columnShape';
import type { Registry } from './openRegistry';
import { CONTROL_MARKS } from '../wording/controlMarks';

export type ReadFigure = { ok: true; figure: Figure | null } | Unreadable;

/** What is known of where a text comes from: how its numbers and days are written, and the unit its column is in. */
export interface Source extends NumberHabit, DateHabit {
  unit?: string | undefined;
}

/** How numbers and days are written in a column: what its cells that can be read one way only say. */
export const habitsOf = (cells: readonly string[]): Source => ({ ...habitOf(cells), ...dateHabitOf(cells) });

const good = (figure: Figure | null): ReadFigure => ({ ok: true, figure });

/**
 * Reads what was typed or pasted into a field. Empty text means "no figure" (null). What can be read two ways is
 * refused with both, unless `source` tells how numbers are written there.
 */
export function readFigure(registry: Registry, field: Field, text: string, source: Source = {}): ReadFigure {
  if (CONTROL_MARKS.test(text)) return unreadable('figure.marks', { field: field.label });
  const keepsLines = field.type === 'longtext' || field.type === 'list';
  const trimmed = keepsLines ? text.trim() : text.trim().replace(/\s+/g, ' ');
  if (trimmed === '') return good(null);
  return READERS[field.type](trimmed, field, source, registry);
}

type Reader = (text: string, field: Field, source: Source, registry: Registry) => ReadFigure;

const READERS: Record<Field['type'], Reader> = {
  text: readText,
  longtext: readText,
  list: (text, field) => readList(text.split(text.includes('\n') ? '\n' : /[;,]/), field),
  money(text, field, source) {
    const read = readAmount(text, source);
    if (!read.ok) return doubtful(read, field, text) ?? unreadable('figure.no-amount', { field: field.label, text });
    return read.number.startsWith('-') ? unreadable('figure.below-zero', { field: field.label }) : good(read.number);
  },
  surcharge(text, field, source) {
    const read = readSurcharge(text, source);
    if (!read.ok) return doubtful(read, field, text) ?? unreadable('figure.no-surcharge', { field: field.label, text });
    return /^-?0(\.0*)?%?$/.test(read.number) ? good(null) : good(read.number);
  },
  weight(text, field, source) {
    const read = readWeight(text, (source.unit ?? 'g') as WeightUnit, source);
    return readMeasured(read, field, text, 'figure.no-weight');
  },
  length(text, field, source) {
    const read = readLength(text, (source.unit ?? 'cm') as LengthUnit, source);
    return readMeasured(read, field, text, 'figure.no-length');
  },
  number(text, field, source) {
    const read = readNumber(text, source);
    if (!read.ok) return doubtful(read, field, text) ?? unreadable('figure.no-number', { field: field.label, text });
    return good(Number(read.number));
  },
  integer(text, field, source) {
    const read = readNumber(text, source);
    const refused = () => unreadable('figure.no-count', { field: field.label, text, unit: field.unit ?? 'pieces' });
    if (!read.ok) return doubtful(read, field, text) ?? refused();
    return /^\d{1,9}(\.0+)?$/.test(read.number) ? good(Number(read.number)) : refused();
  },
  yesno(text, field) {
    const word = text.toLowerCase();
    if (['yes', 'y', 'true', '1', 'on', 'x'].includes(word)) return good(true);
    if (['no', 'n', 'false', '0', 'off', '-'].includes(word)) return good(false);
    return unreadable('figure.no-yes-no', { field: field.label, text });
  },
  date(text, field, source, registry) {
    const read = readDate(text, source, registry.languages);
    if (read.ok) return good(read.date);
    return doubtful(read, field, text) ?? unreadable('figure.no-date', { field: field.label, text });
  },
  choice(text, field) {
    const wanted = text.toLowerCase();
    const choice = field.choices?.find((one) => one.value === text || one.label.toLowerCase() === wanted);
    if (choice) return good(choice.value);
    const choices = field.choices?.map((one) => one.label).join(', ') ?? '';
    return unreadable('figure.no-choice', { field: field.label, text, choices });
  },
  category(text, _field, _source, registry) {
    const wanted = text.toLowerCase();
    const found =
      registry.category(text) ??
      registry.tree.find(({ category }) => registry.pathLabel(category.id).toLowerCase() === wanted)?.category;
    return found ? good(found.id) : unreadable('category.unknown', { id: text });
  },
  composition(text, field) {
    const read = readComposition(text);
    return read.ok ? readText(read.text, field) : read;
  },
  address(text, field) {
    const parsed = URL.canParse(text) ? new URL(text) : null;
    const isSafe = parsed?.protocol === 'https:' && parsed.username === '' && parsed.hostname.includes('.');
    return isSafe ? readText(parsed.href, field) : unreadable('figure.no-address', { field: field.label });
  },
  parts(text, field) {
    const read = readParts(text);
    return read.ok ? readText(read.text, field) : read;
  },
  sku: (text, field) => readSku(text, field.most!),
  gtin(text) {
    const read = readGtin(text);
    return read.ok ? good(read.gtin) : read;
  },
  stock: (text, field, source, registry) => READERS.integer(text, field, source, registry),
  pictures: (_text, field) => unreadable('figure.kind', { field: field.label, kind: 'a list of pictures' }),
};

function readText(text: string, field: Field): ReadFigure {
  const most = field.most ?? Infinity;
  const hasForm = field.markup === true && isMarkup(text);
  // Tags are not counted, but there is an end to them.
  if (hasForm && text.length > most * TAGS_AT_MOST)
    return unreadable('figure.too-long', { field: field.label, length: text.length, most });
  const clean = hasForm ? cleanMarkup(text) : text;
  const { length } = plainText(clean);
  if (length <= most) return good(clean === '' ? null : clean);
  return unreadable('figure.too-long', { field: field.label, length, most });
}
/** A text with tags is at most so many times as long as its words may be. */
const TAGS_AT_MOST = 4;

function readList(parts: readonly string[], field: Field): ReadFigure {
  const entries = [...new Set(parts.map((one) => one.trim()).filter(Boolean))];
  const most = field.most ?? Infinity;
  if (entries.length <= most) return good(entries.length > 0 ? entries : null);
  return unreadable('figure.too-many', { field: field.label, count: entries.length, most });
}

function readMeasured(
  read: MeasureReading,
  field: Field,
  text: string,
  code: 'figure.no-weight' | 'figure.no-length',
): ReadFigure {
  if (!read.ok) return doubtful(read, field, text) ?? unreadable(code, { field: field.label, text });
  return read.measure === 0 ? unreadable(code, { field: field.label, text }) : good(read.measure);
}

function doubtful(read: Exclude<NumberReading, { ok: true }>, field: Field, text: string): Unreadable | null {
  if (read.why !== 'two') return null;
  const [one, other] = read.readings;
  const code = field.type === 'date' ? 'figure.two-days' : 'figure.two-readings';
  return unreadable(code, { field: field.label, text, one, other });
}

const KINDS: Partial<Record<Field['type'], (figure: Figure) => boolean>> = {
  list: Array.isArray,
  pictures: Array.isArray,
  yesno: (figure) => typeof figure === 'boolean',
  ...Object.fromEntries(
    ['weight', 'length', 'number', 'integer'].map((type) => [type, (figure: Figure) => Number.isFinite(figure)]),
  ),
};
const KIND_WORDS: Partial<Record<Field['type'], string>> = { list: 'a list', pictures: 'a list', yesno: 'yes or no' };

/**
 * Checks a figure that comes as data against its field, by the same rules as what is typed, and gives it in the form
 * it is stored in.
 */
export function checkFigure(registry: Registry, field: Field, figure: Figure): ReadFigure {
  const isKind = KINDS[field.type] ?? ((given: Figure) => typeof given === 'string');
  if (!isKind(figure)) {
    const kind = KIND_WORDS[field.type] ?? (KINDS[field.type] ? 'a number' : 'text');
    return unreadable('figure.kind', { field: field.label, kind });
  }
  if (Array.isArray(figure)) return field.type === 'pictures' ? good(figure) : checkList(figure, field);
  if (typeof figure === 'boolean') return good(figure);
  // Stored numbers are written with a point; a composition may be older than the rule for its sum.
  if (typeof figure === 'number') return readFigure(registry, field, plainNumber(figure), { decimal: '.' });
  if (field.type === 'composition') return readText(figure.trim(), field);
  return readFigure(registry, field, figure, { decimal: '.' });
}

/** A number without exponent, as it is typed. */
/** Made once: making one takes many times as long as using it. */
const PLAIN = new Intl.NumberFormat('en', { useGrouping: false, maximumFractionDigits: 12 });
const plainNumber = (figure: number) => (Number.isSafeInteger(figure) ? String(figure) : PLAIN.format(figure));

function checkList(figure: readonly string[], field: Field): ReadFigure {
  return figure.some((one) => CONTROL_MARKS.test(one))
    ? unreadable('figure.marks', { field: field.label })
    : readList(figure, field);
}

/**
 * A figure as a person reads it in a cell. With a currency, money shows all its decimals; more than it has stay as
 * they are.
 */
export function showFigure(
  registry: Registry,
  field: Field | undefined,
  figure: Figure | undefined | null,
  currency?: string,
): string {
  if (figure === undefined || figure === null) return '';
  if (currency && field?.type === 'money' && typeof figure === 'string') {
    const shown = toCurrency(figure, currency);
    return compareAmounts(shown, figure) === 0 ? shown : figure;
  }
  if (typeof figure === 'boolean') return figure ? 'yes' : 'no';
  if (field?.type === 'surcharge') return showSurcharge(String(figure));
  if (Array.isArray(figure)) return figure.join('\n');
  if (field?.type === 'choice') return field.choices?.find((one) => one.value === figure)?.label ?? String(figure);
  if (field?.type === 'category') return registry.pathLabel(figure) || String(figure);
  return typeof figure === 'number' ? plainNumber(figure) : figure;
}

/**
 * A column as text, child by child: a figure that holds for many is made into text once.
 * @returns position of a child → its text
 */
export function showColumn(
  registry: Registry,
  field: Field,
  column: Column,
  currency?: string,
): (position: number) => string {
  const shown = new Map<ColumnGroup, string>();
  return (position) => {
    const group = column.groupAt(position);
    let text = shown.get(group);
    if (text === undefined) shown.set(group, (text = showFigure(registry, field, group.figure, currency)));
    return text;
  };
}
