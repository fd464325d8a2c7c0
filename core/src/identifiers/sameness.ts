/** When two identifiers are the same: a SKU in whatever case, a GTIN in whatever length. */
import { everyChild, touchedChildren } from '../family/everyChild';
import type { Child, Family } from '../family/shape';
import { gtin14 } from './gtin';

export const IDENTIFIERS = ['sku', 'gtin'] as const;
export type IdentifierKind = (typeof IDENTIFIERS)[number];

/** Whether a field holds an identifier. */
export const isIdentifier = (key: string): key is IdentifierKind => key === 'sku' || key === 'gtin';

/** The form under which an identifier is kept and compared: SKU in capitals, GTIN of 14 digits. */
export function identityOf(kind: IdentifierKind, identifier: string): string {
  return kind === 'gtin' ? gtin14(identifier) : identifier.toUpperCase();
}

/** `kind|identity` → child, for every child of the family, shelved ones too. The first one wins. */
export function identifierOwners(family: Family): Map<string, Child> {
  const owners = new Map<string, Child>();
  for (const child of everyChild(family)) {
    for (const kind of IDENTIFIERS) {
      const figure = child.fields[kind];
      if (typeof figure !== 'string') continue;
      const key = `${kind}|${identityOf(kind, figure)}`;
      if (!owners.has(key)) owners.set(key, child);
    }
  }
  return owners;
}

/** SKUs a change would take from the child that has each, away or to another; one on the shelf is not gone. */
export function skusGone(before: Family, after: Family): { childId: string; sku: string }[] {
  const { was, now } = touchedChildren(before, after);
  const stays = new Map(now.map((child) => [child.id, child.fields.sku]));
  return was.flatMap(({ id, fields: { sku } }) =>
    typeof sku === 'string' && stays.get(id) !== sku ? [{ childId: id, sku }] : [],
  );
}
