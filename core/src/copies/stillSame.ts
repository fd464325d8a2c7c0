/** Everything that was copied or filled down, is still the same, and mostly is not: found in the family as it is, whatever way it came about. */
import type { Family } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import { sameAsOrigin } from './sameAsOrigin';
import { samePictures, sameSwatches } from './sameLooks';
import { sameMeasures } from './sameMeasures';
import { samePartNumbers, sameStock } from './sameStock';
import { saysOther } from './sameWords';
import type { StillSame } from './shape';

/** What a family is compared with: the pieces of its children, and what it was copied from, where that is there. */
export interface Beside {
  pieces: Readonly<Record<string, number>>;
  origin?: Family | null;
}

/** All that is still the same and that the seller did not call right, what stops most first. */
export function stillSame(registry: Registry, family: Family, { pieces, origin }: Beside): StillSame[] {
  const settled = new Set(family.settled);
  return [
    ...samePartNumbers(family),
    ...samePictures(family),
    ...sameMeasures(registry, family),
    ...sameStock(family, pieces),
    ...saysOther(registry, family),
    ...sameSwatches(family),
    ...(origin ? sameAsOrigin(registry, family, origin) : []),
  ].filter(({ signature }) => !settled.has(signature));
}
