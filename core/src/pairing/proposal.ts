/** What a proposal for a pairing says: the channel's value, how sure that is, and why. */

/** `sure`: another way to write it. `likely`: mended in passing. `doubtful`: asked about. */
export const CONFIDENCES = ['sure', 'likely', 'doubtful'] as const;
export type Confidence = (typeof CONFIDENCES)[number];

/** Why a value of the channel is proposed. */
export type PairingReason =
  | { why: 'label' | 'spelling' | 'word' | 'size' | 'system' | 'garment' | 'range' }
  /** What the seller chose for another value on the channel. */
  | { why: 'earlier'; of: string }
  /** The nearest colour: CIEDE2000, rounded; null where the channel's value has no swatch. */
  | { why: 'colour'; difference: number | null };
export type PairingProposal = { to: string; confidence: Confidence } & PairingReason;
