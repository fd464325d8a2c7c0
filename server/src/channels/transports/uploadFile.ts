/** The upload sheet of a channel as a file, in the form that its rulebook asks for. */
import { PassThrough } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { uploadColumns } from '@loom-kin/core/descriptions';
import { type ListingMessage, uploadSheet } from '@loom-kin/core/listing';
import { type Rulebook, rulesForSheet } from '@loom-kin/core/rulebook';
import { streamXlsx, writeCsv, type Book } from '@loom-kin/sheets';

export interface UploadFile {
  bytes: Buffer;
  extension: Rulebook['sheet']['format'];
}

/** Writes messages as the channel takes them. */
export async function uploadFile(messages: readonly ListingMessage[], rulebook: Rulebook): Promise<UploadFile> {
  const rules = rulesForSheet(rulebook);
  const { headers, rows } = uploadSheet(messages, rules, rulebook.sheet);
  const { format: extension } = rulebook.sheet;
  if (extension === 'xlsx') {
    const out = new PassThrough();
    const whole = buffer(out);
    await streamXlsx(out, bookOf(headers, rules, rulebook), rows);
    return { bytes: await whole, extension };
  }
  const texts = rows.map((row) => row.map(String));
  return { bytes: Buffer.from(writeCsv(headers, texts)), extension };
}

const NEEDS = { required: 'Required', recommended: 'Recommended', optional: 'Optional' } as const;

/** Required cells marked, closed lists to choose from, and a second sheet that explains every column. */
function bookOf(headers: readonly string[], rules: Parameters<typeof uploadColumns>[1], { name }: Rulebook): Book {
  const columns = uploadColumns(headers, rules);
  return {
    name: 'Upload',
    columns: columns.map(({ header, need, choices, text }) => ({
      header,
      choices,
      mark: need === 'optional' ? undefined : need,
      note: [need === 'optional' ? '' : `${NEEDS[need]}.`, text].filter(Boolean).join(' ') || undefined,
    })),
    explained: {
      name: 'Columns',
      rows: [
        [`Column, as ${name} wants it`, 'How much it is wanted', 'What may stand in it', 'One of'],
        ...columns.map(({ header, need, choices, text }) => [
          header,
          NEEDS[need],
          text,
          choices.slice(0, 60).join(', '),
        ]),
      ],
    },
  };
}
