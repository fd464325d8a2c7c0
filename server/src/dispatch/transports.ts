/** How messages get to a channel and receipts back: as JSON, or as an upload sheet. */
import { z } from 'zod';
import { uploadSheet, type ListingMessage, type Rulebook, type Rules } from '@loom-kin/core';
import { writeXlsx } from '../files/xlsx';

export const ReceiptSchema = z.object({
  id: z.string(),
  state: z.enum(['waiting', 'done']),
  lines: z.array(
    z.object({
      key: z.string(),
      outcome: z.enum(['listed', 'revised', 'already there', 'taken down', 'refused']),
      page: z.string().nullable(),
      reasons: z.array(z.object({ text: z.string(), sku: z.string().nullable(), field: z.string().nullable() })),
    }),
  ),
});
export type Receipt = z.infer<typeof ReceiptSchema>;

/** A failure that may pass: no answer, too many requests, an error at the channel. */
export class ChannelSilent extends Error {}

export interface Sending {
  base: string;
  channel: string;
  /** The same key twice is one submission, whatever was cut off between. */
  key: string;
  messages: ListingMessage[];
  rulebook: Rulebook;
  rules: Rules;
  /** Turns a picture's id into an address the channel can fetch. */
  pictureAddress: (id: string) => string;
}

/** Hands messages over; the channel's receipt number comes back. */
export async function send(sending: Sending): Promise<string> {
  const messages = withAddresses(sending.messages, sending.pictureAddress);
  const body =
    sending.rulebook.transport === 'sheet'
      ? await sheetForm(sending, messages)
      : JSON.stringify({ key: sending.key, messages });
  const answer = await ask(
    `${sending.base}/${sending.channel}/${sending.rulebook.transport === 'sheet' ? 'uploads' : 'submissions'}`,
    {
      method: 'POST',
      body,
      ...(typeof body === 'string' ? { headers: { 'content-type': 'application/json' } } : {}),
    },
  );
  return z.object({ receipt: z.string() }).parse(answer).receipt;
}

/** The receipt as it is now. */
export async function receipt(base: string, channel: string, id: string): Promise<Receipt> {
  return ReceiptSchema.parse(await ask(`${base}/${channel}/receipts/${encodeURIComponent(id)}`));
}

async function ask(address: string, init?: RequestInit): Promise<unknown> {
  let answer: Response;
  try {
    answer = await fetch(address, { ...init, signal: AbortSignal.timeout(15_000) });
    if (answer.ok) return await answer.json();
  } catch (error) {
    throw new ChannelSilent(
      error instanceof Error && error.name === 'TimeoutError' ? 'does not answer' : 'cannot be reached',
    );
  }
  if (answer.status === 429) throw new ChannelSilent('asks to wait: too many requests');
  if (answer.status >= 500) throw new ChannelSilent(`has a fault of its own (${answer.status})`);
  const text = await answer.text();
  throw new Error(text.slice(0, 300) || `answered with ${answer.status}`);
}

async function sheetForm(sending: Sending, messages: ListingMessage[]): Promise<FormData> {
  const sheet = uploadSheet(messages, sending.rules);
  const form = new FormData();
  form.set('key', sending.key);
  form.set('file', new Blob([new Uint8Array(await writeXlsx('Upload', sheet.headers, sheet.rows))]), 'upload.xlsx');
  return form;
}

/** `picture:ID` everywhere in the messages becomes the picture's address. */
function withAddresses(messages: ListingMessage[], address: (id: string) => string): ListingMessage[] {
  return JSON.parse(JSON.stringify(messages), (_key, value: unknown) =>
    typeof value === 'string' && value.startsWith('picture:') ? address(value.slice('picture:'.length)) : value,
  ) as ListingMessage[];
}
