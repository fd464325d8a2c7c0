/** What is wanted where families are gathered: the axes that tell children apart, and who comes under which labels. */
import type { Role } from '../family/shape';

/** A child that is to be in the family, with the label it has on each of its axes, in their order: those of the family first, then the new ones. */
export interface Member {
  familyId: string;
  childId: string;
  labels: string[];
}

export interface GatherSpec {
  /** Axes that tell them apart from now on, behind those of the family. */
  axes: readonly { role: Role; label: string }[];
  members: readonly Member[];
}
