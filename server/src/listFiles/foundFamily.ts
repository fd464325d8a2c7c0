/** A family that was read of a file, on its way to be stored. */
import type { Family } from '@loom-kin/core/family';
import type { Count } from '../stock/ledger';

/** A family as a file makes it. */
export interface FoundFamily {
  /** The revision it was read against; null for a family that was not there. */
  revision: number | null;
  /** The family after it. */
  family: Family;
  pieces: readonly Count[];
}
