/** Which families of the catalogue the rows of a list are of: told by their numbers, else by style code, else by name and brand. */
import { IDENTIFIERS, type IdentifierKind } from '../../identifiers/sameness';
import type { ListChild, ListFamily } from '../families/shape';
import type { ListNumbers } from './listNumbers';
import type { Shelves } from './shelves';
import { withChildren } from './withChildren';

/** Rows of a list's family that are of one family of the catalogue; undefined: of one that is begun. */
export interface Share {
  family: ListFamily;
  heldId: string | undefined;
}

/** Lets the catalogue look up all numbers of a list at once. */
export function expectNumbers(shelves: Shelves, numbers: ListNumbers, families: readonly ListFamily[]): void {
  const named: Record<IdentifierKind, string[]> = { sku: [], gtin: [] };
  for (const { children } of families)
    for (const child of children) for (const { kind, identity } of numbers.ofChild(child)) named[kind].push(identity);
  for (const kind of IDENTIFIERS) shelves.expect(kind, named[kind]);
}

/**
 * A family of a list by the families of the catalogue that its rows are of. The first share has the rows that nobody's number claims.
 * A lone number of another family is a slip: its row stays, and is refused there.
 */
export function sharesOf(family: ListFamily, numbers: ListNumbers, shelves: Shelves): Share[] {
  const ownerOf = (child: ListChild) =>
    numbers.ofChild(child).flatMap(({ kind, identity }) => shelves.ownerOf(kind, identity)?.familyId ?? [])[0];
  const owners = new Map(family.children.map((child) => [child, ownerOf(child)]));
  const votes = new Map<string, number>();
  for (const id of owners.values()) if (id !== undefined) votes.set(id, (votes.get(id) ?? 0) + 1);
  const numbered = family.children.filter((child) => numbers.ofChild(child).length > 0).length;
  const heldId = mainFamily(family, votes, numbered, shelves);
  const others = [...votes].flatMap(([id, count]) => (id !== heldId && count > 1 ? [id] : []));
  if (others.length === 0) return [{ family, heldId }];
  const isOf = (id: string | undefined) => (child: ListChild) => owners.get(child) === id;
  const isLeft = (child: ListChild) => !others.some((id) => isOf(id)(child));
  return [
    { family: withChildren(family, family.children.filter(isLeft)), heldId },
    ...others.map((id) => ({
      family: { ...withChildren(family, family.children.filter(isOf(id))), parentRows: [] },
      heldId: id,
    })),
  ];
}

/** The family whose numbers most of its rows have; where that says nothing, the one that is called like it. */
function mainFamily(
  family: ListFamily,
  votes: ReadonlyMap<string, number>,
  numbered: number,
  shelves: Shelves,
): string | undefined {
  const called = () =>
    (family.style ? shelves.styled(family.style) : undefined) ?? shelves.named(family.name, family.brand);
  const [most] = [...votes].sort((a, b) => b[1] - a[1]);
  if (!most) return called();
  const [id, count] = most;
  // One number of many is a slip: the others do not follow it into a family of other goods.
  if (count === 1 && numbered > 2) return called();
  const isTie = [...votes.values()].filter((other) => other === count).length > 1;
  return isTie ? (called() ?? id) : id;
}
