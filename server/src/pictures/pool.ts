/** Worker threads for pictures, bounded in time: a picture that needs more is refused, and the others go on. */
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { PictureEdit, PictureFacts } from '@loom-kin/core/pictures';
import { Refusal } from '@loom-kin/core/refusal';
import { PICTURE_WORKER } from '../folders/folders';
import { pictureFolder, type Store } from '../store/store';
import { heard, type Told } from '../threads/told';
import type { PictureTask, PictureWorkerSettings } from './worker';

/** In milliseconds, for one picture. */
const TIME_AT_MOST = 60_000;

export interface PicturePool {
  /** So many pictures are worked on at a time. */
  readonly width: number;
  /** Keeps a file; throws a Refusal with its name where it is no picture. The bytes go to the thread and are gone here. */
  keep(fileName: string, bytes: Uint8Array): Promise<PictureFacts>;
  edit(from: PictureFacts, edit: PictureEdit): Promise<PictureFacts>;
  look(facts: PictureFacts): Promise<PictureFacts>;
  /** Draws a picture that is put together of several. */
  combine(facts: PictureFacts): Promise<PictureFacts>;
  close(): Promise<void>;
}

export function createPicturePool(store: Store): PicturePool {
  const workerData: PictureWorkerSettings = { folder: pictureFolder(store) };
  const width = Math.max(1, Math.min(4, availableParallelism()));
  const pool = new Piscina({ ...PICTURE_WORKER, workerData, minThreads: 0, maxThreads: width, idleTimeout: 30_000 });
  async function run(task: PictureTask, file: string): Promise<PictureFacts> {
    const slow = AbortSignal.timeout(TIME_AT_MOST);
    try {
      return heard((await pool.run(task, { signal: slow })) as Told<PictureFacts>);
    } catch (error) {
      if (slow.aborted) throw new Refusal('picture.too-slow', { file });
      throw error;
    }
  }
  return {
    width,
    keep: (fileName, bytes) => run({ do: 'keep', fileName, bytes }, fileName),
    edit: (from, edit) => run({ do: 'edit', from, edit }, from.fileName),
    look: (facts) => run({ do: 'look', facts }, facts.fileName),
    combine: (facts) => run({ do: 'combine', facts }, facts.fileName),
    close: () => pool.destroy(),
  };
}
