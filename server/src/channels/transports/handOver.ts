/** How messages get to a channel and receipts back: as JSON, or as an upload sheet. */
import type { Account } from '@loom-kin/core/catalogue';
import type { ListingMessage } from '@loom-kin/core/listing';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { uploadFile } from './uploadFile';
import { addressOf, ask, receiptIn } from './channelClient';
import { withAddresses } from './pictureAddresses';

export interface Submission {
  base: string;
  account: Account;
  /** The same key twice is one submission, whatever was cut off between. */
  key: string;
  messages: readonly ListingMessage[];
  rulebook: Rulebook;
  /** Turns a picture's id into an address the channel can fetch. */
  pictureAddress: (id: string) => string;
}

/** Hands messages over; the channel's receipt number comes back. */
export async function handOver(submission: Submission): Promise<string> {
  const { base, account, key, rulebook } = submission;
  const messages = withAddresses(submission.messages, submission.pictureAddress);
  const isSheet = rulebook.transport === 'sheet';
  const body = isSheet ? await sheetForm(key, messages, rulebook) : JSON.stringify({ key, messages });
  const headers = isSheet ? {} : { headers: { 'content-type': 'application/json' } };
  const answer = await ask(addressOf(base, account, isSheet ? 'uploads' : 'submissions'), {
    method: 'POST',
    body,
    ...headers,
  });
  return receiptIn(answer);
}

async function sheetForm(key: string, messages: readonly ListingMessage[], rulebook: Rulebook): Promise<FormData> {
  const { bytes, extension } = await uploadFile(messages, rulebook);
  const form = new FormData();
  form.set('key', key);
  form.set('file', new Blob([new Uint8Array(bytes)]), `upload.${extension}`);
  return form;
}
