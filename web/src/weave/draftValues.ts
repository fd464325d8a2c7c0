/**
 * Values typed or pasted as a list, made ready for an axis: swatches guessed for colours, sizes put in order, codes
 * given.
 */
import { guessSwatch, shortCodes, sizeKey, sortSizes, type Role } from '@loom-kin/core';

export interface DraftValue {
  label: string;
  code: string;
  swatch?: string;
}

/** Entries of a pasted list: commas, semicolons, tabs or line breaks part them; the same label twice is taken once. */
export function splitList(text: string): string[] {
  const seen = new Set<string>();
  return text
    .split(/[,;\t\n]/)
    .map((one) => one.trim().replace(/\s+/g, ' '))
    .filter((label) => {
      const key = label.toLowerCase();
      if (label === '' || seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}

/** Draft values for labels; what was changed by hand in `before` stays. */
export function draftValues(labels: readonly string[], role: Role, before: readonly DraftValue[] = []): DraftValue[] {
  const known = new Map(before.map((value) => [value.label.toLowerCase(), value]));
  const ordered = labels.every((label) => sizeKey(label)) ? sortSizes(labels) : [...labels];
  const kept = ordered.flatMap((label) => known.get(label.toLowerCase())?.code ?? []);
  const codes = shortCodes(
    ordered.filter((label) => !known.has(label.toLowerCase())),
    kept,
  );
  return ordered.map((label) => {
    const there = known.get(label.toLowerCase());
    if (there) return { ...there, label };
    const swatch = role === 'colour' ? (guessSwatch(label) ?? '#B8BDB8') : undefined;
    return { label, code: codes.shift()!, ...(swatch ? { swatch } : {}) };
  });
}
