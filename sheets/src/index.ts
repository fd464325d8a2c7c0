/** Tables in files. */
export * from './csv';
export * from './decodeText';
export * from './json';
export * from './readTable';
export * from './xlsx/readXlsx';
export * from './writeCsv';
export * from './xlsx/writeXlsx';
