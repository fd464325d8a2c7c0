/** All tables, a file a subject. Aggregates are JSON documents beside the columns that lists sort and search by. */
export * from './tables/families';
export * from './tables/fits';
export * from './tables/stock';
export * from './tables/changes';
export * from './tables/catalogue';
export * from './tables/dispatches';
export * from './tables/jobs';
export * from './tables/layouts';
