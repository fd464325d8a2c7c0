/** The upload sheet of a channel as a file, in the form that its rulebook asks for. */
import { rulesForSheet, uploadSheet, type ListingMessage, type Rulebook } from '@loom-kin/core';
import { writeCsv } from './csv';
import { writeXlsx } from './xlsx';

export interface UploadFile {
  bytes: Buffer;
  extension: Rulebook['sheet']['format'];
}

/** Writes messages as the channel takes them. */
export async function uploadFile(messages: readonly ListingMessage[], rulebook: Rulebook): Promise<UploadFile> {
  const { headers, rows } = uploadSheet(messages, rulesForSheet(rulebook), rulebook.sheet);
  const { format: extension } = rulebook.sheet;
  if (extension === 'xlsx') return { bytes: Buffer.from(await writeXlsx('Upload', headers, rows)), extension };
  const texts = rows.map((row) => row.map(String));
  return { bytes: Buffer.from(writeCsv(headers, texts)), extension };
}
