export { startChannels, MOODS, type RunningService, type ServiceOptions } from './service';
export { PLAYED } from './checks';
export type { Goods, LookAt, Reason } from './goods';
