/** Pictures that were taken in before anybody looked at what they show are looked at once, one after another, while nothing else waits. */
import { eq, sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { Refusal } from '@loom-kin/core/refusal';
import { pictures } from '../store/schema';
import type { Store } from '../store/store';
import type { PicturePool } from './pool';

/** Looks at them until none is left or somebody stops it. */
export async function lookAtOld(store: Store, pool: PicturePool, log: Logger, signal: AbortSignal): Promise<void> {
  const { database } = store;
  const isUnseen = sql`json_extract(${pictures.facts}, '$.look') IS NULL AND json_extract(${pictures.facts}, '$.combined') IS NULL`;
  const unseen = database.select({ id: pictures.id, facts: pictures.facts }).from(pictures).where(isUnseen).all();
  for (const { id, facts } of unseen) {
    if (signal.aborted) return;
    try {
      const seen = await pool.look(facts);
      await store.whenQuiet(() => {
        if (!signal.aborted) database.update(pictures).set({ facts: seen }).where(eq(pictures.id, id)).run();
      });
    } catch (error) {
      if (signal.aborted) return;
      if (!(error instanceof Refusal)) log.error({ err: error, picture: id }, 'a picture could not be looked at');
    }
  }
}
