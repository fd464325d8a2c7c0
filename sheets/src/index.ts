/** Tables in files. */
export * from './csv/harmless';
export * from './csv/writeCsv';
export * from './decodeText';
export * from './readTable';
export * from './rowSink';
export * from './source';
export * from './xlsx/writeXlsx';
