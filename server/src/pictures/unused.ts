/** Pictures that nobody uses: found on request, cleared away on request, never by themselves. */
import { rmSync, statSync } from 'node:fs';
import { inArray } from 'drizzle-orm';
import type { PictureFacts } from '@loom-kin/core/pictures';
import type { Unused } from '@loom-kin/contract';
import type { Database } from '../store/database';
import { pictures } from '../store/schema';
import { pictureFolder, type Store } from '../store/store';
import { pictureFiles } from './pictureFiles';

/** What no family, no listing on a channel and no picture that waits uses; apart what undo could bring back. */
export function unusedPictures(store: Store): Unused {
  const { database } = store;
  const folder = pictureFolder(store);
  const used = named(database, IN_USE);
  const rows = database
    .select()
    .from(pictures)
    .all()
    .filter(({ id }) => !used.has(id));
  const before = named(database, IN_JOURNAL);
  const free: PictureFacts[] = [];
  const remembered: PictureFacts[] = [];
  const bytes = { free: 0, remembered: 0 };
  for (const { id, facts } of rows) {
    const isRemembered = before.has(id);
    (isRemembered ? remembered : free).push(facts);
    for (const file of pictureFiles(folder, id)) bytes[isRemembered ? 'remembered' : 'free'] += statSync(file).size;
  }
  return { free, remembered, bytes };
}

/** Clears pictures away; those that came into use meanwhile stay. */
export function clearPictures(store: Store, ids: readonly string[]): { cleared: number; bytes: number } {
  const { database } = store;
  const used = named(database, IN_USE);
  const gone = ids.filter((id) => !used.has(id));
  let bytes = 0;
  for (let at = 0; at < gone.length; at += 500)
    database
      .delete(pictures)
      .where(inArray(pictures.id, gone.slice(at, at + 500)))
      .run();
  for (const id of gone)
    for (const file of pictureFiles(pictureFolder(store), id)) {
      bytes += statSync(file).size;
      rmSync(file, { force: true });
    }
  return { cleared: gone.length, bytes };
}

/** Where pictures that are in use stand, and where those that undo could bring back. */
const IN_USE = ['SELECT doc FROM families', 'SELECT picture_id FROM arrivals', 'SELECT listing FROM held_listings'];
const IN_JOURNAL = ['SELECT forward FROM change_parts', 'SELECT inverse FROM change_parts'];

/** Every picture's id that stands in the texts of these columns. */
function named(database: Database, columns: readonly string[]): Set<string> {
  const found = new Set<string>();
  for (const column of columns)
    for (const text of database.$client.prepare(column).pluck().iterate() as Iterable<string | null>)
      for (const [id] of (text ?? '').matchAll(/[0-9a-f]{24}/g)) found.add(id);
  return found;
}
