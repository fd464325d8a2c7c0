/** SKUs and GTINs are unique within the family, and those of children on the shelf stay taken. */
import { everyChild } from '../family/everyChild';
import type { Child, Family } from '../family/shape';
import { placeLabel } from '../family/weave';
import { identityOf, type IdentifierKind } from '../identifiers/sameness';
import { Refusal } from '../refusal';
import { showFigure } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';

/** Throws a Refusal that names both children where two have the same. */
export function checkIdentifiers(registry: Registry, family: Family): void {
  const children = everyChild(family);
  unique(registry, family, children, 'sku');
  unique(registry, family, children, 'gtin');
}

function unique(registry: Registry, family: Family, children: readonly Child[], kind: IdentifierKind): void {
  const first = new Map<string, Child>();
  for (const child of children) {
    const figure = child.fields[kind];
    if (typeof figure !== 'string') continue;
    const identity = identityOf(kind, figure);
    const twin = first.get(identity);
    if (!twin) first.set(identity, child);
    else if (twin.id !== child.id) throw twice(registry, family, kind, figure, child, twin);
  }
}

function twice(
  registry: Registry,
  family: Family,
  kind: IdentifierKind,
  figure: string,
  child: Child,
  twin: Child,
): Refusal {
  const shown = showFigure(registry, registry.field(kind), figure);
  const owner = placeLabel(family, { level: 'child', childId: twin.id });
  const about = { place: { level: 'child' as const, childId: child.id, key: kind } };
  if (kind === 'sku') return new Refusal('sku.twice', { sku: shown, owner }, about);
  return new Refusal('gtin.twice', { gtin: shown, owner }, about);
}
