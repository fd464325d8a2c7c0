export { startServer, type RunningServer, type ServerOptions } from './start';
export { openDatabase, type Database } from './store/database';
export { openStore, storeOf } from './store/openStore';
export type { Store } from './store/store';
export { listFamilies } from './families/list';
export { familyDetail } from './families/detail';
