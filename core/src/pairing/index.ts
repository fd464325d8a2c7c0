/** Pairings of a seller's values with a channel's own. */
export { type ListedValue, pairingList } from './list';
export {
  type Pairing,
  PairingSchema,
  type PairingTable,
  PairingTableSchema,
  fieldOfPaired,
  foldForPairing,
  pairedField,
  pairingLookup,
  withPairings,
} from './pairings';
export type { PairingProposal } from './proposal';
export { proposeFor, proposePairing } from './propose';
