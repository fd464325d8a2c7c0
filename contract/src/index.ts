/** The contract between server and its clients. */
export * from './endpoint';
export * from './schemas';
export { endpoints } from './endpoints';
export { openApiDocument } from './openapi';
export * from './client';
