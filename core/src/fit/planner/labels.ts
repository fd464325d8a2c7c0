/** Labels of options within a channel's limit: each part shortened in the same way everywhere, and no two alike. */
import type { TaskAxis, TaskValue } from './shape';

/** The forms a value's label may take, from full to its short code. Each axis uses one form throughout. */
const FORMS: readonly ((value: TaskValue) => string)[] = [
  ({ label }) => label,
  ({ label, short }) => short ?? label,
  ({ label }) => label.replace(/\s*\([^)]*\)/g, '').trim() || label,
  ({ label }) => words(label, 7),
  ({ label }) => words(label, 4),
  ({ code }) => code,
];
/** The form that is the seller's own; those after it are made by rule. */
const BY_SELLER = 1;

const words = (label: string, length: number) =>
  label
    .split(/\s+/)
    .map((word) => (word.length > length + 1 ? word.slice(0, length).replace(/[-'.,]+$/, '') + '.' : word))
    .join(' ');

/** What stands between the parts of a joined label, the best first. */
const SEPARATORS = [' / ', '/', ' · ', ' - ', '-', ' '];

export interface OptionLabels {
  labels: string[];
  /** Some are not the full labels, joined. */
  shortened: boolean;
  /** How many were shortened by rule, and not by the seller. */
  byRule: number;
}

/** An axis in one form: what its values are called, by their places. */
interface Form {
  texts: string[];
  lengths: Int32Array;
  /** 1 for values whose text is another than their label: by rule, and not the seller's short one. */
  isByRule: Uint8Array;
}

/** What it costs to take a form, summed over all rows. */
interface FormCost {
  form: Form;
  /** Rows whose part is not the full label, and not the seller's short one. */
  byRule: number;
  /** Rows whose part is the seller's short label. */
  bySeller: number;
  /** Characters of all rows' parts together. */
  characters: number;
}

/** One form for each axis, and a separator. */
interface Choice {
  forms: readonly Form[];
  separator: string;
}

/** Combinations of values: axis → row → place of the value. */
type Columns = readonly ArrayLike<number>[];

/**
 * Labels for combinations of values (`columns`: axis → row → place of the value), at most `atMost` characters long, without
 * `forbidden` characters, all different. As few parts as can be are shortened, by rule less willingly than by the seller's short
 * labels, and then as few characters lost as can be. Null where even short codes do not do.
 */
export function optionLabels(
  axes: readonly TaskAxis[],
  columns: Columns,
  atMost: number,
  forbidden: string,
): OptionLabels | null {
  const separators = axes.length > 1 ? usableSeparators(forbidden) : [''];
  const full = { forms: axes.map((axis) => formOf(axis, 0, forbidden)), separator: separators[0]! };
  const plain = labelsOf(full, columns, atMost);
  if (plain) return told(axes, columns, plain, full);
  const forms = axes.map((axis, at) => differentForms(axis, rowsByValue(axis, columns[at]!), forbidden));
  const longestFirst = rowsByLength(full.forms, columns);
  for (const choice of inOrderOfCost(forms, separators)) {
    if (!isWithin(choice, columns, longestFirst, atMost)) continue;
    const labels = labelsOf(choice, columns, atMost);
    if (labels) return told(axes, columns, labels, choice);
  }
  return null;
}

/**
 * Rows that are too long in full, with what takes least room between the parts: they have to be shortened by rule, unless the seller has
 * short labels. Infinitely many where one is too long in its shortest forms. `columns` is asked for only where some may be.
 */
export function labelsTooLong(
  axes: readonly TaskAxis[],
  columns: () => Columns,
  atMost: number,
  forbidden: string,
): number {
  const between = Math.min(...usableSeparators(forbidden).map((separator) => separator.length)) * (axes.length - 1);
  const full = axes.map(({ values }) => values.map(({ label, code }) => (clean(label, forbidden) || code).length));
  const longest = full.reduce((sum, some) => sum + Math.max(...some), between);
  if (longest <= atMost) return 0;
  const shortest = axes.map(({ values }) => values.map((value) => shortestOf(value, forbidden)));
  if (rowsOver(columns(), shortest, atMost - between) > 0) return Infinity;
  if (axes.some(({ values }) => values.some((value) => value.short !== undefined))) return 0;
  return rowsOver(columns(), full, atMost - between);
}

const shortestOf = (value: TaskValue, forbidden: string): number =>
  Math.min(...FORMS.map((form) => (clean(form(value), forbidden) || value.code).length));

/** Rows whose parts come to more characters than these. */
function rowsOver(columns: Columns, lengths: readonly ArrayLike<number>[], most: number): number {
  let over = 0;
  for (let row = 0; row < columns[0]!.length; row++) if (lengthOf(columns, lengths, row) > most) over += 1;
  return over;
}

/** The characters of all parts of a row. */
function lengthOf(columns: Columns, lengths: readonly ArrayLike<number>[], row: number): number {
  let length = 0;
  for (let axis = 0; axis < columns.length; axis++) length += lengths[axis]![columns[axis]![row]!]!;
  return length;
}

/** The rows, those that are longest in full first. */
function rowsByLength(full: readonly Form[], columns: Columns): Int32Array {
  const lengths = full.map((form) => form.lengths);
  const lengthOfRow = Int32Array.from(columns[0]!, (_, row) => lengthOf(columns, lengths, row));
  return Int32Array.from(lengthOfRow.keys()).sort((a, b) => lengthOfRow[b]! - lengthOfRow[a]!);
}

/** Two of them: one that reads well, one that saves room. Where the channel forbids them all parts run together. */
function usableSeparators(forbidden: string): string[] {
  const usable = SEPARATORS.filter((separator) => ![...separator].some((mark) => forbidden.includes(mark)));
  return usable.length > 0 ? usable.slice(0, 2) : [''];
}

function formOf({ values }: TaskAxis, number: number, forbidden: string): Form {
  const make = FORMS[number]!;
  const texts = values.map((value) => clean(make(value), forbidden) || value.code);
  return {
    texts,
    lengths: Int32Array.from(texts, (text) => text.length),
    isByRule: Uint8Array.from(values, ({ label }, place) => Number(number > BY_SELLER && texts[place] !== label)),
  };
}

/** The forms of an axis that differ from each other: sizes mostly have but one or two. */
function differentForms(axis: TaskAxis, rows: Int32Array, forbidden: string): FormCost[] {
  const different: FormCost[] = [];
  FORMS.forEach((_, number) => {
    const form = formOf(axis, number, forbidden);
    const isSeen = different.some(({ form: { texts } }) => texts.every((text, place) => text === form.texts[place]));
    if (!isSeen) different.push(costOf(axis, form, number, rows, forbidden));
  });
  return different;
}

/** @param rows place of a value → how many rows have it */
function costOf({ values }: TaskAxis, form: Form, number: number, rows: Int32Array, forbidden: string): FormCost {
  let changed = 0;
  let characters = 0;
  values.forEach((value, place) => {
    characters += rows[place]! * form.lengths[place]!;
    if (form.texts[place] !== (clean(value.label, forbidden) || value.code)) changed += rows[place]!;
  });
  return {
    form,
    characters,
    byRule: number > BY_SELLER ? changed : 0,
    bySeller: number === BY_SELLER ? changed : 0,
  };
}

function rowsByValue({ values }: TaskAxis, column: ArrayLike<number>): Int32Array {
  const rows = new Int32Array(values.length);
  for (let row = 0; row < column.length; row++) rows[column[row]!]! += 1;
  return rows;
}

/** Every choice of a form for each axis, the one that loses least first. */
function inOrderOfCost(forms: readonly FormCost[][], separators: readonly string[]): Choice[] {
  const all = forms.reduce<FormCost[][]>((done, some) => done.flatMap((row) => some.map((one) => [...row, one])), [[]]);
  const sum = (row: readonly FormCost[], line: 'byRule' | 'bySeller' | 'characters') =>
    row.reduce((total, form) => total + form[line], 0);
  const costs = new Map(
    all.map((row) => [row, [sum(row, 'byRule'), sum(row, 'bySeller'), -sum(row, 'characters')] as const]),
  );
  all.sort((a, b) => {
    const [one, other] = [costs.get(a)!, costs.get(b)!];
    return one[0] - other[0] || one[1] - other[1] || one[2] - other[2];
  });
  return all.flatMap((row) => separators.map((separator) => ({ forms: row.map(({ form }) => form), separator })));
}

function isWithin({ forms, separator }: Choice, columns: Columns, rows: Int32Array, atMost: number): boolean {
  const most = atMost - separator.length * (forms.length - 1);
  const lengths = forms.map((form) => form.lengths);
  return rows.every((row) => lengthOf(columns, lengths, row) <= most);
}

/** The labels of a choice, or null where one is too long or empty, or two are alike whatever their case. */
function labelsOf({ forms, separator }: Choice, columns: Columns, atMost: number): string[] | null {
  const labels: string[] = [];
  const seen = new Set<string>();
  for (let row = 0; row < columns[0]!.length; row++) {
    let label = forms[0]!.texts[columns[0]![row]!]!;
    for (let axis = 1; axis < forms.length; axis++) label += separator + forms[axis]!.texts[columns[axis]![row]!]!;
    if (label.length > atMost || label === '') return null;
    seen.add(label.toLowerCase());
    labels.push(label);
  }
  return seen.size === labels.length ? labels : null;
}

function told(
  axes: readonly TaskAxis[],
  columns: Columns,
  labels: string[],
  { forms, separator }: Choice,
): OptionLabels {
  const isFull = (axis: number) =>
    rowsByValue(axes[axis]!, columns[axis]!).every(
      (rows, place) => rows === 0 || forms[axis]!.texts[place] === axes[axis]!.values[place]!.label,
    );
  const shortened = (axes.length > 1 && separator !== SEPARATORS[0]) || !axes.every((_, axis) => isFull(axis));
  let byRule = 0;
  for (let row = 0; row < labels.length; row++)
    if (forms.some(({ isByRule }, axis) => isByRule[columns[axis]![row]!] === 1)) byRule += 1;
  return { labels, shortened, byRule };
}

function holdsAny(label: string, marks: string): boolean {
  for (const mark of marks) if (label.includes(mark)) return true;
  return false;
}

/** Blanks at an end, or others than single ones. */
const UNEVEN = /^\s|\s$|\s\s|[^\S ]/;

/** The label without forbidden signs: a blank in their place, or a hyphen where blanks are forbidden themselves. */
function clean(label: string, forbidden: string): string {
  if (!UNEVEN.test(label) && !holdsAny(label, forbidden)) return label;
  const gap = [' ', '-'].find((mark) => !forbidden.includes(mark)) ?? '';
  const kept = [...label].map((mark) => (forbidden.includes(mark) ? ' ' : mark)).join('');
  return kept.trim().split(/\s+/).join(gap);
}
