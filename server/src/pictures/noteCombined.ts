/** Pictures of several options put on one are noted as soon as they are needed; drawing them waits until somebody asks for them. */
import { COMBINED_SIDE, type Combined, type PictureFacts, combinedId } from '@loom-kin/core/pictures';
import type { Database } from '../store/database';
import { pictures } from '../store/schema';

/** Writes down which pictures are put on one, so that it can be fetched. Gives their ids. */
export function noteCombined(database: Database, all: readonly Combined[]): string[] {
  return all.map((combined) => {
    const id = combinedId(combined);
    const names = combined.parts.map((part) => part.label).join(', ');
    const facts: PictureFacts = {
      id,
      fileName: names.slice(0, 120),
      whiteBackground: true,
      combined,
      width: COMBINED_SIDE,
      height: COMBINED_SIDE,
    };
    database.insert(pictures).values({ id, facts, at: new Date().toISOString() }).onConflictDoNothing().run();
    return id;
  });
}
