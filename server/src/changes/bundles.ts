/** What a change means for sets that it does not touch itself: their pieces, and the SKUs that they name. */
import { partsOf, partsText, withRenamedPart } from '@loom-kin/core/bundles';
import { familyIndex, placeLabel, touchedChildren } from '@loom-kin/core/family';
import { identityOf } from '@loom-kin/core/identifiers';
import { Refusal } from '@loom-kin/core/refusal';
import { loadFamily } from '../store/loadFamily';
import { saveStockSum } from '../families/save';
import { bundlesWith, familiesWithBundlesOf, itemFinder } from '../stock/bundles';
import type { Store } from '../store/store';
import type { Part } from '../journal/journal';
import { familyIn, runOn, type Work } from './work';

type Touched = Pick<Part, 'thing' | 'thingId' | 'forward'>;

/** The parts of a change, and those families besides whose sets have items of them: their sums are made anew. */
export function withBundles(store: Store, parts: readonly Touched[]): Touched[] {
  const ids = [
    ...new Set(parts.flatMap(({ thing, thingId }) => (thing === 'family' || thing === 'stock' ? [thingId] : []))),
  ];
  return [
    ...parts,
    // Pages that show a family are told anew of its pieces where an item became a set, or is none any more.
    ...parts.filter(changesParts).map(({ thingId }): Touched => ({ thing: 'stock', thingId, forward: [] })),
    ...familiesWithBundlesOf(store.database, ids).map((thingId): Touched => {
      saveStockSum(store, loadFamily(store.database, thingId));
      return { thing: 'stock', thingId, forward: [] };
    }),
  ];
}

const changesParts = ({ thing, forward = [] }: Touched): boolean =>
  thing === 'family' && forward.some(({ path }) => path.endsWith('/fields/parts'));

/** Sets name their items by SKU: where a change gives an item another, they follow in the same change. */
export function renameInBundles(work: Work): void {
  for (const { before, now } of [...work.families.values()]) {
    if (!before || before === now) continue;
    for (const child of touchedChildren(before, now).now) {
      const [was, is] = [before.children[child.id]?.fields.sku, child.fields.sku];
      if (typeof was !== 'string' || typeof is !== 'string' || was === is) continue;
      for (const { familyId, childId } of bundlesWith(work.store.database, was))
        renameOn(work, familyId, childId, was, is);
    }
  }
}

function renameOn(work: Work, familyId: string, childId: string, was: string, is: string): void {
  const bundle = familyIn(work, familyId).children[childId];
  const parts = bundle && withRenamedPart(partsOf(bundle), was, is);
  if (!parts) return;
  const place = { level: 'child' as const, childId };
  runOn(work, familyId, { do: 'setFigures', changes: [{ place, key: 'parts', figure: partsText(parts) }] });
}

/** Items that sets of the change name and nobody has: told, since they may come later. */
export function unknownParts(work: Work): string[] {
  const find = itemFinder(work.store.database);
  const own = new Set(
    [...work.families.values()].flatMap(({ now }) =>
      familyIndex(now).woven.map(({ fields }) => identityOf('sku', String(fields.sku ?? ''))),
    ),
  );
  const missing = [...work.families.values()].flatMap(({ before, now }) =>
    touchedChildren(before, now).now.flatMap((child) =>
      before?.children[child.id]?.fields.parts === child.fields.parts
        ? []
        : partsOf(child).filter(({ sku }) => !own.has(identityOf('sku', sku)) && !find(sku)),
    ),
  );
  return [...new Set(missing.map(({ sku }) => sku))]
    .slice(0, 3)
    .map((sku) => `There is no item with the SKU ${sku} yet: until there is, there are no pieces of the set.`);
}

/** Pieces of a set are not counted: they follow from its parts. */
export function requireBundleStock(work: Work, familyId: string, childIds: readonly string[]): void {
  const family = familyIn(work, familyId);
  const set = childIds.find((id) => family.children[id]?.fields.parts !== undefined);
  if (!set) return;
  const place = { level: 'child' as const, childId: set };
  throw new Refusal('stock.set', { where: placeLabel(family, place) }, { place: { ...place, key: 'stock' } });
}
