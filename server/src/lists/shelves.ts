/** What the catalogue knows of the goods of a list: whose numbers, style codes and names they are. Reads only. */
import { and, eq, sql } from 'drizzle-orm';
import type { HeldFamily, Shelves } from '@loom-kin/core/intake';
import type { Catalogue } from '../store/readCatalogue';
import { boundSkus } from '../identifiers/boundSkus';
import { newFamilyId } from '../families/newFamilyId';
import { loadFamily } from '../store/loadFamily';
import { loadStock } from '../stock/ledger';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import { openOwners, type NumberOwners } from './numberOwners';

/** The shelves of a database; families are loaded once. */
export function openShelves(database: Database, { namer }: Catalogue): Shelves {
  const owners = openOwners(database);
  const id = { id: families.id };
  const isThere = eq(families.retired, false);
  const byKey = database
    .select(id)
    .from(families)
    .where(eq(families.id, sql.placeholder('key')))
    .prepare();
  const byStyle = database
    .select(id)
    .from(families)
    .where(and(isThere, eq(families.styleCode, sql.placeholder('code'))))
    .limit(2)
    .prepare();
  const byName = database
    .select(id)
    .from(families)
    .where(and(isThere, eq(families.name, sql.placeholder('name')), eq(families.brand, sql.placeholder('brand'))))
    .limit(2)
    .prepare();
  const only = (rows: { id: string }[]): string | undefined => (rows.length === 1 ? rows[0]!.id : undefined);
  const loaded = new Map<string, HeldFamily>();
  return {
    expect: owners.expect,
    ownerOf: owners.of,
    keyed: (key) => (key === '' ? undefined : only(byKey.all({ key }))),
    styled: (code) => only(byStyle.all({ code })),
    named: (name, brand) => only(byName.all({ name, brand })),
    load(familyId) {
      let held = loaded.get(familyId);
      if (!held) loaded.set(familyId, (held = holdFamily(database, namer, owners, familyId)));
      return held;
    },
    outside: { takenElsewhere: owners.elsewhere(''), bound: () => null },
    newId: newFamilyId,
  };
}

function holdFamily(database: Database, namer: Catalogue['namer'], owners: NumberOwners, familyId: string): HeldFamily {
  const bound = boundSkus(database, namer, familyId);
  return {
    family: loadFamily(database, familyId),
    stock: loadStock(database, familyId),
    around: { takenElsewhere: owners.elsewhere(familyId), bound: (sku) => bound.get(sku) ?? null },
  };
}
