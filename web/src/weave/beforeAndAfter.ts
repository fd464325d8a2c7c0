/** What a change makes of a field of some children, in a line: "189.00 → 198.90, 219.00 → 229.90". */
import { type Family, columnOf, familyIndex } from '@loom-kin/core/family';
import { type Field, type Registry, showColumn } from '@loom-kin/core/registry';

/** So many different changes are told. */
const TOLD = 4;

export function beforeAndAfter(
  registry: Registry,
  field: Field,
  { before, after, childIds }: { before: Family; after: Family; childIds: readonly string[] },
  currency: string,
): string {
  const { position } = familyIndex(before);
  const shown = (family: Family) => showColumn(registry, field, columnOf(family, field.key), currency);
  const [was, becomes] = [shown(before), shown(after)];
  const changes = new Map<string, string>();
  for (const id of childIds) {
    const at = position.get(id);
    if (at === undefined) continue;
    const [from, to] = [was(at) || field.unset || 'nothing', becomes(at) || field.unset || 'nothing'];
    if (from !== to) changes.set(`${from} → ${to}`, '');
  }
  const told = [...changes.keys()];
  if (told.length === 0) return 'Nothing would change.';
  const more = told.length - TOLD;
  return told.slice(0, TOLD).join(', ') + (more > 0 ? ` and ${more} more` : '');
}
