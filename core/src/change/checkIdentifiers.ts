/** SKUs and GTINs are unique within the family, and those of children on the shelf stay taken. */
import { everyChild, touchedChildren } from '../family/everyChild';
import type { Child, Family } from '../family/shape';
import { placeLabel } from '../family/weave';
import { IDENTIFIERS, identityOf, type IdentifierKind } from '../identifiers/sameness';
import { Refusal } from '../refusal/refusal';
import { showFigure } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';

/**
 * Throws a Refusal that names both children where two have the same.
 * @param before the state that the family was made from, checked already: identifiers that no child got since need no second look
 */
export function checkIdentifiers(registry: Registry, family: Family, before: Family | null): void {
  const { was, now } = touchedChildren(before, family);
  const had = new Map(was.map((child) => [child.id, child.fields]));
  for (const kind of IDENTIFIERS) {
    const isNew = now.some(({ id, fields }) => fields[kind] !== undefined && fields[kind] !== had.get(id)?.[kind]);
    if (isNew) unique(registry, family, everyChild(family), kind);
  }
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
