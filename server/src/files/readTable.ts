/** Rows of a sheet that came in: XLSX by its first bytes, else CSV. */
import { Refusal } from '@loom-kin/core';
import { readCsv } from './csv';
import { readXlsx } from './xlsx';

export async function readTable(bytes: Buffer, fileName: string): Promise<string[][]> {
  const isZip = bytes.subarray(0, 2).toString('latin1') === 'PK';
  if (!isZip && /\.xlsx$/i.test(fileName)) throw new Refusal('sheet.cut-off', { file: fileName });
  return isZip ? readXlsx(bytes, fileName) : readCsv(bytes, fileName);
}
