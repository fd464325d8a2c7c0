/** A worker thread for pictures: decoding, looking and making others of them hold up nobody. */
import { workerData } from 'piscina';
import sharp from 'sharp';
import type { PictureEdit, PictureFacts } from '@loom-kin/core/pictures';
import { telling, type Told } from '../threads/told';
import { drawCombined } from './drawCombined';
import { keepEdited, keepFile, lookAgain } from './keepPicture';
import { yieldToRequests } from '../threads/lowPriority';

yieldToRequests();

export interface PictureWorkerSettings {
  folder: string;
}

export type PictureTask =
  | { do: 'keep'; fileName: string; bytes: Uint8Array }
  | { do: 'edit'; from: PictureFacts; edit: PictureEdit }
  | { do: 'look'; facts: PictureFacts }
  | { do: 'combine'; facts: PictureFacts };

const { folder } = workerData as PictureWorkerSettings;
// There are as many threads as there may be; each works on one picture.
sharp.concurrency(1);
sharp.cache(false);

export default function work(task: PictureTask): Promise<Told<PictureFacts>> {
  return telling(async () => {
    switch (task.do) {
      case 'keep':
        return keepFile(folder, task.fileName, task.bytes);
      case 'edit':
        return keepEdited(folder, task.from, task.edit);
      case 'look':
        return lookAgain(folder, task.facts);
      case 'combine':
        await drawCombined(folder, task.facts.id, task.facts.combined!);
        return task.facts;
    }
  });
}
