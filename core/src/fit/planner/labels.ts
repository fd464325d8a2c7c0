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

/** An axis in one form. */
interface Form {
  texts: string[];
  /** Rows whose part is not the full label, and not the seller's short one. */
  byRule: number;
  /** Rows whose part is the seller's short label. */
  bySeller: number;
  /** Characters of all rows' parts together. */
  characters: number;
}

/** One form for each axis, and a separator. */
interface Choice {
  forms: Form[];
  separator: string;
}

/**
 * Labels for combinations of values (one row a combination, value places per axis), at most `atMost` characters long, without
 * `forbidden` characters, all different. As few parts as can be are shortened, by rule less willingly than by the seller's short
 * labels, and then as few characters lost as can be. Null where even short codes do not do.
 */
export function optionLabels(
  axes: readonly TaskAxis[],
  rows: readonly (readonly number[])[],
  atMost: number,
  forbidden: string,
): OptionLabels | null {
  const separators = axes.length > 1 ? usableSeparators(forbidden) : [''];
  const full = axes.map((axis, at) => formOf(axis, at, 0, rows, forbidden));
  const plain = labelsOf({ forms: full, separator: separators[0]! }, rows, atMost);
  if (plain) return told(axes, rows, plain, full);
  const forms = axes.map((axis, at) => differentForms(axis, at, rows, forbidden));
  const longestFirst = rows.toSorted((a, b) => lengthOf(full, b) - lengthOf(full, a));
  for (const choice of inOrderOfCost(forms, separators)) {
    if (!isWithin(choice, longestFirst, atMost)) continue;
    const labels = labelsOf(choice, rows, atMost);
    if (labels) return told(axes, rows, labels, choice.forms);
  }
  return null;
}

/**
 * Rows that are too long in full, with what takes least room between the parts: they have to be shortened by rule, unless the seller has
 * short labels. Infinitely many where one is too long in its shortest forms. `rows` is asked for only where some may be.
 */
export function labelsTooLong(
  axes: readonly TaskAxis[],
  rows: () => readonly (readonly number[])[],
  atMost: number,
  forbidden: string,
): number {
  const between = Math.min(...usableSeparators(forbidden).map((separator) => separator.length)) * (axes.length - 1);
  const full = axes.map(({ values }) => values.map(({ label, code }) => (clean(label, forbidden) || code).length));
  const longest = full.reduce((sum, some) => sum + Math.max(...some), between);
  if (longest <= atMost) return 0;
  const shortest = axes.map(({ values }) => values.map((value) => shortestOf(value, forbidden)));
  if (rowsOver(rows(), shortest, atMost - between) > 0) return Infinity;
  if (axes.some(({ values }) => values.some((value) => value.short !== undefined))) return 0;
  return rowsOver(rows(), full, atMost - between);
}

const shortestOf = (value: TaskValue, forbidden: string): number =>
  Math.min(...FORMS.map((form) => (clean(form(value), forbidden) || value.code).length));

/** Rows whose parts come to more characters than these. */
function rowsOver(rows: readonly (readonly number[])[], lengths: readonly (readonly number[])[], most: number): number {
  let over = 0;
  for (const row of rows) {
    let length = 0;
    for (let axis = 0; axis < row.length; axis++) length += lengths[axis]![row[axis]!]!;
    if (length > most) over += 1;
  }
  return over;
}

/** Two of them: one that reads well, one that saves room. Where the channel forbids them all parts run together. */
function usableSeparators(forbidden: string): string[] {
  const usable = SEPARATORS.filter((separator) => ![...separator].some((mark) => forbidden.includes(mark)));
  return usable.length > 0 ? usable.slice(0, 2) : [''];
}

function formOf(
  { values }: TaskAxis,
  at: number,
  number: number,
  rows: readonly (readonly number[])[],
  forbidden: string,
): Form {
  const make = FORMS[number]!;
  const texts = values.map((value) => clean(make(value), forbidden) || value.code);
  const isFull = values.map((value, place) => texts[place] === (clean(value.label, forbidden) || value.code));
  let changed = 0;
  let characters = 0;
  for (const row of rows) {
    characters += texts[row[at]!]!.length;
    if (!isFull[row[at]!]) changed += 1;
  }
  return { texts, characters, byRule: number > BY_SELLER ? changed : 0, bySeller: number === BY_SELLER ? changed : 0 };
}

/** The forms of an axis that differ from each other: sizes mostly have but one or two. */
function differentForms(axis: TaskAxis, at: number, rows: readonly (readonly number[])[], forbidden: string): Form[] {
  const all = FORMS.map((_, number) => formOf(axis, at, number, rows, forbidden));
  return all.filter((form, place) => !all.slice(0, place).some((one) => one.texts.join('|') === form.texts.join('|')));
}

/** Every choice of a form for each axis, the one that loses least first. */
function inOrderOfCost(forms: readonly Form[][], separators: readonly string[]): Choice[] {
  const all = forms.reduce<Form[][]>((done, some) => done.flatMap((row) => some.map((one) => [...row, one])), [[]]);
  const sum = (row: readonly Form[], line: 'byRule' | 'bySeller' | 'characters') =>
    row.reduce((total, form) => total + form[line], 0);
  const costs = new Map(
    all.map((row) => [row, [sum(row, 'byRule'), sum(row, 'bySeller'), -sum(row, 'characters')] as const]),
  );
  all.sort((a, b) => {
    const [one, other] = [costs.get(a)!, costs.get(b)!];
    return one[0] - other[0] || one[1] - other[1] || one[2] - other[2];
  });
  return all.flatMap((row) => separators.map((separator) => ({ forms: row, separator })));
}

const lengthOf = (forms: readonly Form[], row: readonly number[]): number =>
  row.reduce((length, value, axis) => length + forms[axis]!.texts[value]!.length, 0);

function isWithin({ forms, separator }: Choice, rows: readonly (readonly number[])[], atMost: number): boolean {
  const most = atMost - separator.length * (forms.length - 1);
  return rows.every((row) => lengthOf(forms, row) <= most);
}

/** The labels of a choice, or null where one is too long or empty, or two are alike whatever their case. */
function labelsOf({ forms, separator }: Choice, rows: readonly (readonly number[])[], atMost: number): string[] | null {
  const labels: string[] = [];
  const seen = new Set<string>();
  for (const row of rows) {
    const label = row.map((value, axis) => forms[axis]!.texts[value]!).join(separator);
    if (label.length > atMost || label === '') return null;
    seen.add(label.toLowerCase());
    labels.push(label);
  }
  return seen.size === labels.length ? labels : null;
}

function told(
  axes: readonly TaskAxis[],
  rows: readonly (readonly number[])[],
  labels: string[],
  forms: readonly Form[],
): OptionLabels {
  const isByRule = forms.map((form) => form.byRule > 0);
  const full = (row: readonly number[]) => row.map((value, axis) => axes[axis]!.values[value]!.label);
  const byRule = rows.filter((row) =>
    full(row).some((label, axis) => isByRule[axis] && forms[axis]!.texts[row[axis]!] !== label),
  ).length;
  const shortened = rows.some((row, at) => full(row).join(SEPARATORS[0]) !== labels[at]);
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
