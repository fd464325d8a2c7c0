export { startServer, type RunningServer, type ServerOptions } from './start';
export { openDatabase, type Database } from './store/database';
export * as queries from './families/search';
