/** What routes work with. */
import type { Logger } from 'pino';
import type { Approvals } from '../catalogue/approvals';
import type { Entries } from '../catalogue/entries';
import type { Writer } from '../changes/writer';
import type { Runner } from '../dispatch/runner';
import type { Intakes } from '../files/intakes';
import type { FilePool } from '../files/pool';
import type { FitPool } from '../fits/pool';
import type { Desk } from '../jobs/desk';
import type { PictureIntakes } from '../pictures/pictureIntakes';
import type { PicturePool } from '../pictures/pool';
import type { Store } from '../store/store';

export interface Parts {
  store: Store;
  pool: FitPool;
  files: FilePool;
  intakes: Intakes;
  pictures: PicturePool;
  pictureIntakes: PictureIntakes;
  runner: Runner;
  desk: Desk;
  approvals: Approvals;
  entries: Entries;
  writer: Writer;
  log: Logger;
  /** The built web pages; without them only the API is there. */
  webFolder: string;
  channelsUrl: string;
}
