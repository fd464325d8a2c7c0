/** Labels of options within a channel's limit: each part shortened in the same way everywhere, and no two alike. */
import type { TaskAxis } from './shape';

/** The forms a value's label may take, from full to its short code. Each axis uses one form throughout. */
const FORMS: ((label: string, code: string) => string)[] = [
  (label) => label,
  (label) => label.replace(/\s*\([^)]*\)/g, '').trim() || label,
  (label) => words(label, 7),
  (label) => words(label, 4),
  (_label, code) => code,
];

const words = (label: string, length: number) =>
  label
    .split(/\s+/)
    .map((word) => (word.length > length + 1 ? word.slice(0, length).replace(/[-'.,]+$/, '') + '.' : word))
    .join(' ');

const SEPARATORS = [' / ', '/'];

export interface OptionLabels {
  labels: string[];
  shortened: boolean;
}

/**
 * Labels for combinations of values (one row a combination, value places per axis), at most `atMost` characters long,
 * without
 * `forbidden` characters, all different. Loses as few characters as can be; null where even short codes do not do.
 */
export function optionLabels(
  axes: readonly TaskAxis[],
  rows: readonly (readonly number[])[],
  atMost: number,
  forbidden: string,
): OptionLabels | null {
  const made = axes.map(() => new Array<string[] | undefined>(FORMS.length));
  /** The values of an axis in one form; made when first asked for, since the full labels do most often. */
  const formed = (axis: number, form: number) =>
    (made[axis]![form] ??= axes[axis]!.values.map(
      (value) => clean(FORMS[form]!(value.label, value.code), forbidden) || value.code,
    ));
  const choice = new Array<number>(axes.length).fill(0);
  const build = (separator: string) =>
    rows.map((row) => row.map((at, axis) => formed(axis, choice[axis]!)[at]!).join(separator));
  /**
   * Characters of all labels together, or null where one is too long or empty. Counted first: most choices end here.
   */
  const measure = (separator: string): number | null => {
    let total = 0;
    const forms = axes.map((_, axis) => formed(axis, choice[axis]!));
    for (const row of rows) {
      let length = separator.length * (axes.length - 1);
      for (let axis = 0; axis < axes.length; axis++) length += forms[axis]![row[axis]!]!.length;
      if (length > atMost || length === 0) return null;
      total += length;
    }
    return total;
  };
  let best: { total: number; labels: string[] } | null = null;
  for (let first = true; ; first = false) {
    for (const separator of axes.length > 1 ? SEPARATORS : ['']) {
      const total = measure(separator);
      if (total === null || (best && total <= best.total)) continue;
      const labels = build(separator);
      if (new Set(labels.map((label) => label.toLowerCase())).size < labels.length) continue;
      best = { total, labels };
      // Nothing is longer than the full labels.
      if (first && separator !== SEPARATORS[1]) return { labels, shortened: changed(axes, rows, labels) };
    }
    let axis = choice.length - 1;
    while (axis >= 0 && choice[axis] === FORMS.length - 1) choice[axis--] = 0;
    if (axis < 0) break;
    choice[axis]! += 1;
  }
  return best ? { labels: best.labels, shortened: changed(axes, rows, best.labels) } : null;
}

function changed(axes: readonly TaskAxis[], rows: readonly (readonly number[])[], labels: readonly string[]): boolean {
  return rows.some(
    (row, at) => row.map((value, axis) => axes[axis]!.values[value]!.label).join(SEPARATORS[0]) !== labels[at],
  );
}

function clean(label: string, forbidden: string): string {
  let text = label;
  for (const mark of forbidden) text = text.replaceAll(mark, ' ');
  return text.replace(/\s+/g, ' ').trim();
}
