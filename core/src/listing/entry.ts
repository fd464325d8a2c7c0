/** Entries of a channel: goods it knows already by their number. Their facts are fixed there; an offer under one is a seller's. */
import { z } from 'zod';
import { identityOf } from '../identifiers/sameness';

const Text = z.string().max(400);

export const ChannelEntrySchema = z.object({
  /** What the channel calls it by. */
  entry: z.string().min(1).max(80),
  gtin: z.string().max(20),
  name: Text,
  /** Role → the channel's value. */
  options: z.record(z.string().max(40), Text),
  /** The channel's name of a field → what it says there. */
  facts: z.record(z.string().max(120), z.union([Text, z.number(), z.boolean(), z.array(Text)])),
});
export type ChannelEntry = z.infer<typeof ChannelEntrySchema>;

/** GTIN as 14 digits → its entry on an account's channel; null where the channel has none. Numbers not asked about are not there. */
export const KnownNumbersSchema = z.record(z.string(), ChannelEntrySchema.nullable());
export type KnownNumbers = z.infer<typeof KnownNumbersSchema>;

/** What an account's channel knows of a number; undefined where it was not asked. */
export const knownEntry = (known: KnownNumbers, gtin: string): ChannelEntry | null | undefined =>
  known[identityOf('gtin', gtin)];

/** One thing an entry says otherwise than the seller. */
export interface EntryDifference {
  /** What the channel calls it. */
  name: string;
  theirs: string;
  ours: string;
}

export interface EntryMatch {
  childId: string;
  entry: ChannelEntry;
  /** open: not settled; under: offered under the entry; apart: settled to be other goods. */
  stands: 'open' | 'under' | 'apart';
  differences: EntryDifference[];
  /** Brand, model and options speak for the same goods, as far as both sides say them. */
  isLikely: boolean;
}
