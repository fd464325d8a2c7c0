/** Talking to a channel: requests, and what kinds of failure there are. */
import { z } from 'zod';
import { type Listing, ListingSchema } from '@loom-kin/core/listing';
import { Refusal } from '@loom-kin/core/refusal';
import { ChannelSilent, exchange, LARGE_BOUNDS, USUAL_BOUNDS, type Bounds } from './exchange';

export { ChannelSilent };

/** The address of something a channel has for an account. The first account of a channel goes by the channel's own id. */
export function addressOf(base: string, account: { id: string; channel: string }, path: string): string {
  const query = account.id === account.channel ? '' : `?account=${encodeURIComponent(account.id)}`;
  return `${base}/${account.channel}/${path}${query}`;
}

/** A question that a channel turns away for good; the message is the channel's words. */
export class TurnedAway extends Error {}

/** What a seller is told of a failure: the channel's words, or that it was our own, of which only the log can say more. */
export const failureText = (error: unknown): string =>
  error instanceof TurnedAway || error instanceof ChannelSilent || error instanceof Refusal
    ? error.message
    : 'something went wrong inside, so it is not known what the channel took; the channel will be asked';

/**
 * Asks a channel, within bounds of time and size.
 * @throws `ChannelSilent` where trying again may help: no answer, one that is cut off or no JSON, too many requests, a fault there
 * @throws `TurnedAway` where the channel turns the question away
 */
export async function ask(address: string, init?: RequestInit, bounds: Bounds = USUAL_BOUNDS): Promise<unknown> {
  const answer = await exchange(address, init, bounds);
  if (answer.status === 429) throw new ChannelSilent('asks to wait: too many requests');
  if (answer.status >= 500) throw new ChannelSilent(`has a fault of its own (${answer.status})`);
  if (answer.status < 200 || answer.status >= 300)
    throw new TurnedAway(wordsOf(answer.text) || `answered with ${answer.status}`);
  try {
    return JSON.parse(answer.text);
  } catch {
    throw new ChannelSilent('gives an answer that cannot be read');
  }
}

/** The answer as the schema has it. Throws `ChannelSilent` where it is none. */
export function understood<S extends z.ZodType>(schema: S, answer: unknown): z.infer<S> {
  const read = schema.safeParse(answer);
  if (!read.success) throw new ChannelSilent('gives an answer that cannot be understood');
  return read.data;
}

/** What a channel says of a refusal, without its machine's dressing. */
function wordsOf(text: string): string {
  try {
    const said = JSON.parse(text) as { text?: unknown; message?: unknown };
    const words = said.text ?? said.message;
    if (typeof words === 'string') return words.slice(0, 300);
  } catch {
    // Plain words need no unwrapping.
  }
  return /^[[{<]/.test(text.trim()) ? '' : text.slice(0, 300);
}

export const ReceiptSchema = z.object({
  id: z.string(),
  state: z.enum(['waiting', 'done']),
  lines: z.array(
    z.object({
      key: z.string(),
      outcome: z.enum(['listed', 'revised', 'already there', 'taken down', 'refused']),
      /** Only addresses of the web are kept. */
      page: z
        .string()
        .nullable()
        .transform((page) => (page !== null && /^https?:\/\//i.test(page) ? page : null)),
      reasons: z.array(z.object({ text: z.string(), sku: z.string().nullable(), field: z.string().nullable() })),
    }),
  ),
});
export type Receipt = z.infer<typeof ReceiptSchema>;

const HeldSchema = z.array(z.object({ goods: ListingSchema, draft: z.boolean() }));

/** The receipt of a submission as it is now. */
export async function askReceipt(base: string, account: { id: string; channel: string }, id: string): Promise<Receipt> {
  return understood(ReceiptSchema, await ask(addressOf(base, account, `receipts/${encodeURIComponent(id)}`)));
}

/** The number of the receipt in the answer to a submission. */
export const receiptIn = (answer: unknown): string =>
  understood(z.object({ receipt: z.string().min(1).max(300) }), answer).receipt;

/** What a channel says it holds for an account. */
export async function askHeld(
  base: string,
  account: { id: string; channel: string },
): Promise<{ listing: Listing; draft: boolean }[]> {
  const held = understood(HeldSchema, await ask(addressOf(base, account, 'listings'), {}, LARGE_BOUNDS));
  return held.map(({ goods, draft }) => ({ listing: goods, draft }));
}
