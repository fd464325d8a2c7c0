/** The contract between server and its clients. */
export * from './endpoint';
export * from './problem';
export * from './families';
export * from './board';
export * from './changes';
export * from './conditions';
export * from './setup';
export * from './intake';
export * from './jobs';
export * from './layouts';
export * from './pictures';
export * from './dispatches';
export * from './events';
export { endpoints } from './endpoints';
export { openApiDocument } from './openapi';
export * from './client';
export { makeChange } from './makeChange';
