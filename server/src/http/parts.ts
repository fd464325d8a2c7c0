/** What routes work with. */
import type { Logger } from 'pino';
import type { Runner } from '../dispatch/runner';
import type { FitPool } from '../fits/pool';
import type { Store } from '../store/store';

export interface Parts {
  store: Store;
  pool: FitPool;
  runner: Runner;
  log: Logger;
  /** The built web pages; without them only the API is there. */
  webFolder: string;
  channelsUrl: string;
}
