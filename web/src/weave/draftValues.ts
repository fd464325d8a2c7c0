/** Values typed or pasted as a list, made ready for an axis: dressed from the dictionary, sizes put in order. */
import { type Role, foldLabel } from '@loom-kin/core/family';
import { type DressedValue, type Registry, dressValues } from '@loom-kin/core/registry';
import { areSizes, sortSizes } from '@loom-kin/core/size';

export type DraftValue = DressedValue;

/** Entries of a pasted list: commas, semicolons, tabs or line breaks part them; the same label twice is taken once. */
export function splitList(text: string): string[] {
  const labels = text
    .split(/[,;\t\n]/)
    .map((one) => one.trim().replace(/\s+/g, ' '))
    .filter(Boolean);
  const first = new Map<string, string>();
  for (const label of labels) if (!first.has(foldLabel(label))) first.set(foldLabel(label), label);
  return [...first.values()];
}

/** Draft values for labels; what was changed by hand in `before` stays. */
export function draftValues(
  registry: Registry,
  labels: readonly string[],
  role: Role,
  before: readonly DraftValue[] = [],
): DraftValue[] {
  const known = new Map(before.map((value) => [foldLabel(value.label), value]));
  const ordered = areSizes(labels) ? sortSizes(labels) : [...labels];
  const specs = ordered.map((label) => ({ ...known.get(foldLabel(label)), label }));
  return dressValues(registry, role, specs);
}
