/** Tables in files. */
export * from './csv';
export * from './decodeText';
export * from './json';
export * from './readTable';
export * from './readXlsx';
export * from './writeCsv';
export * from './writeXlsx';
