/** A family as a file of its own: written, and read against what is there. */
import { checkFamily, replaceWith } from '@loom-kin/core/change';
import { type Family, type FamilyFile, FamilyFileSchema, FamilySchema, everyChild } from '@loom-kin/core/family';
import { allPictures, withPictureIds } from '@loom-kin/core/pictures';
import { Refusal } from '@loom-kin/core/refusal';
import type { Location, StockPlaces } from '@loom-kin/core/stock';
import type { Catalogue } from '../store/readCatalogue';
import { hasFamily, loadFamily } from '../store/loadFamily';
import { readInput } from '../input/readInput';
import { factsOf } from '../pictures/pictureFacts';
import type { Count } from '../stock/ledger';
import type { Database } from '../store/database';

/** A family as a file, with its stock by child. */
export function familyFile(
  { revision: _revision, ...family }: Family,
  stock: Record<string, number>,
  stockAt: StockPlaces,
): FamilyFile {
  const apart = Object.keys(stockAt).length > 0 ? { stockAt: stockAt as FamilyFile['stockAt'] } : {};
  return { format: 'loom-kin/family', version: 2, family, stock, ...apart };
}

/** What a family file makes. */
export interface FamilyFound {
  /** The revision of the family that is there; null where there is none. */
  revision: number | null;
  /** What it becomes. With the same revision as before it stays as it is. */
  family: Family;
  pieces: Count[];
}

/** How a family file is read. */
interface Reading {
  /** Pictures by the ids they had where the file was written. */
  pictures?: ReadonlyMap<string, string>;
  /** Hears how many pictures are not there; the family is then read without them. Without it that is refused. */
  tellMissing?: (count: number) => void;
}

/** Reads a family file against the database, by the very rules of the commands. Throws a Refusal that names the place. Runs in a worker thread. */
export function readFamilyFile(
  database: Database,
  { registry }: Pick<Catalogue, 'registry'>,
  body: unknown,
  reading: Reading = {},
): FamilyFound {
  const file = withPicturesHere(database, withOwnChildIds(readInput(FamilyFileSchema, body, 'body')), reading);
  const { id } = file.family;
  if (!/^k[a-z0-9]{3,39}$/.test(id)) throw new Refusal('family.wrong-id', { id });
  const before = hasFamily(database, id) ? loadFamily(database, id) : null;
  const wanted = FamilySchema.parse({ ...file.family, revision: before?.revision ?? 1 });
  const family = before ? replaceWith(registry, before, wanted).family : checkFamily(registry, wanted);
  return { revision: before?.revision ?? null, family, pieces: stockOf(file, family, registry.locations) };
}

function withPicturesHere(database: Database, file: FamilyFile, { pictures, tellMissing }: Reading): FamilyFile {
  const all = [...allPictures(file.family)];
  const known = factsOf(database, all);
  const ids = new Map(all.map((id) => [id, known[id] ? id : (pictures?.get(id) ?? null)]));
  const missing = all.filter((id) => ids.get(id) === null);
  if (missing.length > 0 && !tellMissing) throw new Refusal('picture.not-taken-in', {});
  if (missing.length > 0) tellMissing!(missing.length);
  // What is said of a picture that stands nowhere is kept.
  return all.every((id) => ids.get(id) === id)
    ? file
    : { ...file, family: withPictureIds(file.family, (id) => (ids.has(id) ? ids.get(id)! : id)) };
}

/** Children of a file are the family's own: ids that another family gave them are given anew, so that its stock is not touched. */
function withOwnChildIds(file: FamilyFile): FamilyFile {
  const own = `${file.family.id}.`;
  const children = [
    ...Object.values(file.family.children),
    ...Object.values(file.family.shelf).map((one) => one.child),
  ];
  const foreign = children.map((child) => child.id).filter((id) => !id.startsWith(own));
  if (foreign.length === 0) return file;
  const renamed = new Map(foreign.map((id) => [id, own + (/c\d{1,9}$/.exec(id)?.[0] ?? id)]));
  const rename = (id: string) => renamed.get(id) ?? id;
  const keyed = <T>(record: Record<string, T>, change: (entry: T) => T) =>
    Object.fromEntries(Object.entries(record).map(([id, entry]) => [rename(id), change(entry)]));
  return {
    ...file,
    family: {
      ...file.family,
      children: keyed(file.family.children, (child) => ({ ...child, id: rename(child.id) })),
      shelf: keyed(file.family.shelf, (shelved) => ({
        ...shelved,
        child: { ...shelved.child, id: rename(shelved.child.id) },
      })),
      wishes: Object.fromEntries(
        Object.entries(file.family.wishes).map(([account, wish]) => [
          account,
          {
            ...wish,
            leaveOut: wish.leaveOut.map(rename),
            ...(wish.entries ? { entries: keyed(wish.entries, (entry) => entry) } : {}),
          },
        ]),
      ),
    },
    stock: file.version === 1 ? file.stock : keyed(file.stock, (pieces) => pieces),
    ...(file.stockAt ? { stockAt: keyed(file.stockAt, (places) => places) } : {}),
  };
}

/** Pieces by child; files of version 1 have them by SKU. */
function stockOf(file: FamilyFile, family: Family, locations: readonly Location[]): Count[] {
  const bySku = new Map(everyChild(family).map((child) => [String(child.fields.sku ?? ''), child.id]));
  return Object.entries(file.stock).flatMap(([name, pieces]) => {
    const childId = file.version === 1 ? bySku.get(name) : name;
    if (!childId || !family.children[childId]) return [];
    const places = file.stockAt?.[childId];
    const isKnown = places && Object.keys(places).every((id) => locations.some((one) => one.id === id));
    // Where a place is not among the seller's, the child's pieces go to the first together.
    if (!isKnown) return [{ childId, pieces }];
    return locations.map(({ id }) => ({ childId, location: id, pieces: places[id] ?? 0 }));
  });
}
