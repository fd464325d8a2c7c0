/** Pictures taken in: kept by a worker thread, what is known of them written down. */
import { inArray } from 'drizzle-orm';
import type { PictureEdit, PictureFacts } from '@loom-kin/core/pictures';
import type { Database } from '../store/database';
import { pictures } from '../store/schema';
import type { Store } from '../store/store';
import { requirePicture } from './pictureFacts';
import type { PicturePool } from './pool';

/** Takes one file in. What is no picture is refused with its name. The same picture twice is one picture. */
export async function takePicture(
  store: Store,
  pool: PicturePool,
  fileName: string,
  bytes: Uint8Array,
): Promise<PictureFacts> {
  const facts = await pool.keep(fileName, bytes);
  return store.whenQuiet(() => noteFacts(store.database, facts));
}

/** Makes another of a picture: cut, turned, squared. The one it is made of stays. */
export async function editPicture(
  store: Store,
  pool: PicturePool,
  id: string,
  edit: PictureEdit,
): Promise<PictureFacts> {
  const facts = await pool.edit(requirePicture(store.database, id), edit);
  return store.whenQuiet(() => noteFacts(store.database, facts));
}

/** What was known of the picture before stays, such as its first name. */
function noteFacts(database: Database, facts: PictureFacts): PictureFacts {
  const { id } = facts;
  database.insert(pictures).values({ id, facts, at: new Date().toISOString() }).onConflictDoNothing().run();
  return database
    .select()
    .from(pictures)
    .where(inArray(pictures.id, [id]))
    .get()!.facts;
}
