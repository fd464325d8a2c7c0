/** Labels are few and are compared by the thousand: what was folded once is remembered, up to so many. */
const REMEMBERED = 20_000;
const folded = new Map<string, string>();

/**
 * The form under which two labels of axes or values are the same: neither case nor blanks around or between words
 * count.
 */
export function foldLabel(label: string): string {
  const known = folded.get(label);
  if (known !== undefined) return known;
  if (folded.size >= REMEMBERED) folded.clear();
  const form = label.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();
  folded.set(label, form);
  return form;
}
