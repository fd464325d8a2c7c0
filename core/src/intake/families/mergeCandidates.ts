/** What is found of clusters whose names differ by a word, and what the whole list says of such words. */
import type { Role } from '../../family/shape';
import type { openFacts } from './clusterFacts';
import type { Cluster } from './clusters';
import type { CodeHeads } from './codeHeads';
import type { Place } from './usualPlaces';

/** What is found of a word that stands in the place of an option. */
export interface MergeCandidate {
  cluster: Cluster;
  /** Words that it has more than the others, and where they begin among its words. */
  differingWords: string[];
  at: number;
  /** Some of the words could make other goods of them. */
  isDoubtful: boolean;
}

type Facts = ReturnType<typeof openFacts>;

/**
 * What the whole list says: of each cluster, of the heads of its SKUs and style codes, and where its names have their
 * options.
 */
export interface ListEvidence {
  facts: Facts;
  heads: CodeHeads;
  /** What style codes have in common that have the colour in them. */
  styleHeads: CodeHeads;
  isUsualPlace: (role: Role, place: Place) => boolean;
  /** Words that stand behind goods of several kinds, as colours do. */
  recurring: ReadonlySet<string>;
  /**
   * What is a colour elsewhere in the list: in a column, or in the names of a family that is sure. Grows while
   * families are joined.
   */
  colours: Set<string>;
}
