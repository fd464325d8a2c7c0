/** A family as a file of its own: written, and taken in whole. */
import { createHash, randomUUID } from 'node:crypto';
import { allPictures, checkFamily, everyChild, FamilySchema, Refusal, replaceWith, type Family } from '@loom-kin/core';
import type { FamilyFile, IntakeReport } from '@loom-kin/contract';
import { workChange } from '../changes/runChange';
import { familyIn, putFamily } from '../changes/work';
import { hasFamily, loadFamily } from '../families/load';
import { mindPictures } from '../pictures/pictureFacts';
import { countPieces } from '../changes/countPieces';
import type { Store } from '../store/store';

/** A family as a file, with its stock by child. */
export function familyFile({ revision: _revision, ...family }: Family, stock: Record<string, number>): FamilyFile {
  return { format: 'loom-kin/family', version: 2, family, stock };
}

/** Takes a family file in: a family that is not there is made, one that is there is brought to what the file says. The same file is one change. */
export function takeFamilyFile(store: Store, file: FamilyFile): IntakeReport {
  const { registry } = store.catalogue();
  const given = withOwnChildIds(file);
  const { id } = given.family;
  if (!/^k[a-z0-9]{3,39}$/.test(id)) throw new Refusal('family.wrong-id', { id });
  const there = hasFamily(store.database, id);
  const wanted = FamilySchema.parse({ ...given.family, revision: there ? loadFamily(store.database, id).revision : 1 });
  mindPictures(store.database, [...allPictures(wanted)]);
  const done = workChange(store, { key: keyOfFile(file), title: 'Take a family file in' }, 'you', (work) => {
    const before = there ? familyIn(work, id) : null;
    const family = before ? replaceWith(registry, before, wanted).family : checkFamily(registry, wanted);
    if (family !== before) putFamily(work, family);
    countPieces(work, family.id, 'counted', stockOf(given, family));
  });
  const children = Object.values(given.family.children).filter((child) => child.woven).length;
  const kind = !there ? 'new' : done.id === null ? 'same' : 'changed';
  const counts = { new: 0, changed: 0, same: 0, refused: 0, [kind]: children };
  return { familyId: id, fileName: null, applied: kind !== 'same', rows: [], unknownColumns: [], counts };
}

/** Each taking in is a change of its own. */
const keyOfFile = (file: FamilyFile) =>
  `file:${createHash('sha256').update(file.family.id).digest('hex').slice(0, 12)}:${randomUUID()}`;

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
          { ...wish, leaveOut: wish.leaveOut.map(rename) },
        ]),
      ),
    },
    stock: file.version === 1 ? file.stock : keyed(file.stock, (pieces) => pieces),
  };
}

/** Pieces by child; files of version 1 have them by SKU. */
function stockOf(file: FamilyFile, family: Family): { childId: string; pieces: number }[] {
  const bySku = new Map(everyChild(family).map((child) => [String(child.fields.sku ?? ''), child.id]));
  return Object.entries(file.stock).flatMap(([name, pieces]) => {
    const childId = file.version === 1 ? bySku.get(name) : name;
    return childId && family.children[childId] ? [{ childId, pieces }] : [];
  });
}
