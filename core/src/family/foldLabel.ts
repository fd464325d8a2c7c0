/** Labels are few and are compared by the thousand: what was folded once is remembered, up to so many. */
import { recordKey } from '../text/own';
import { UNSEEN } from '../text/unseen';
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
  const form = recordKey(label.normalize('NFC').replace(UNSEEN, '').trim().replace(/\s+/g, ' ').toLowerCase());
  folded.set(label, form);
  return form;
}
