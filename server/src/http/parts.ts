/** What routes work with. */
import type { Logger } from 'pino';
import type { Approvals } from '../channels/approvals';
import type { Entries } from '../channels/entries';
import type { Writer } from '../changes/writer';
import type { ChannelLink } from '../dispatch/reconcile';
import type { Runner } from '../dispatch/runner';
import type { Exports } from '../export/exports';
import type { Intakes } from '../files/intakes';
import type { FilePool } from '../fileWorker/pool';
import type { FitPool } from '../fits/pool';
import type { JobControls } from '../jobControls/jobControls';
import type { Lists } from '../lists/lists';
import type { PictureIntakes } from '../pictureIntakes/pictureIntakes';
import type { PicturePool } from '../pictures/pool';
import type { Store } from '../store/store';

export interface Parts {
  store: Store;
  pool: FitPool;
  files: FilePool;
  exports: Exports;
  intakes: Intakes;
  lists: Lists;
  pictures: PicturePool;
  pictureIntakes: PictureIntakes;
  runner: Runner;
  jobControls: JobControls;
  approvals: Approvals;
  entries: Entries;
  writer: Writer;
  log: Logger;
  /** The built web pages; without them only the API is there. */
  webFolder: string;
  channelsUrl: string;
  link: ChannelLink;
  /** Where a channel can fetch a picture. */
  pictureAddress: (id: string) => string;
  /** Has the server closed and started again, once the answer that is under way is given. */
  startAnew: () => void;
}
