/** Talking to a channel: requests, and what kinds of failure there are. */
import { z } from 'zod';
import { ListingSchema, type Listing } from '@loom-kin/core';

/** A failure that may pass: no answer, too many requests, an error at the channel. */
export class ChannelSilent extends Error {}

/** Longest wait for one answer, in milliseconds. */
const PATIENCE = 15_000;

/** The address of something a channel has for an account. The first account of a channel goes by the channel's own id. */
export function addressOf(base: string, account: { id: string; channel: string }, path: string): string {
  const query = account.id === account.channel ? '' : `?account=${encodeURIComponent(account.id)}`;
  return `${base}/${account.channel}/${path}${query}`;
}

/** Asks a channel. Throws `ChannelSilent` where trying again may help, any other error where it will not. */
export async function ask(address: string, init?: RequestInit): Promise<unknown> {
  let answer: Response;
  try {
    answer = await fetch(address, { ...init, signal: AbortSignal.timeout(PATIENCE), redirect: 'error' });
    if (answer.ok) return await answer.json();
  } catch (error) {
    const late = error instanceof Error && error.name === 'TimeoutError';
    throw new ChannelSilent(late ? 'does not answer' : 'cannot be reached');
  }
  if (answer.status === 429) throw new ChannelSilent('asks to wait: too many requests');
  if (answer.status >= 500) throw new ChannelSilent(`has a fault of its own (${answer.status})`);
  throw new Error(wordsOf(await answer.text()) || `answered with ${answer.status}`);
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

/** What a channel says it holds for an account. */
export async function askHeld(
  base: string,
  account: { id: string; channel: string },
): Promise<{ listing: Listing; draft: boolean }[]> {
  const held = HeldSchema.parse(await ask(addressOf(base, account, 'listings')));
  return held.map(({ goods, draft }) => ({ listing: goods, draft }));
}
