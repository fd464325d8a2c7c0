/** Mugs of a made-up enameller that two channels know already: other sellers have them too. */
import type { Entry } from '../entryShape';

const mug = (entry: string, gtin: string, colour: string, volume: string): Entry => ({
  ...{ entry, gtin, name: `Enamel mug, ${colour.toLowerCase()}, ${volume}`, options: { colour, volume } },
  facts: { Brand: 'Skerry Supply', 'Made in': 'Norrhavn' },
});

export const MUGS_KNOWN: readonly Entry[] = [
  mug('Q-20417', '9501018400017', 'White', '300 ml'),
  mug('Q-20418', '9501018400024', 'White', '500 ml'),
  // Somebody entered it under another colour.
  mug('Q-20431', '9501018400031', 'Black', '300 ml'),
];

export const MUGS_ON_TALLOW_GATE: readonly Entry[] = [mug('TG-0918', '9501018400017', 'Chalk', '300 ml')];
