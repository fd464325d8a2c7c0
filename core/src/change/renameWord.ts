/** A word of the dictionary that changed, written on a family that has the value. */
import type { SingleCommand } from './commands';
import { foldForPairing } from '../pairing/pairings';
import { foldLabel } from '../family/foldLabel';
import type { Family, Role } from '../family/shape';

export interface WordRenames {
  commands: SingleCommand[];
  /** An axis that has a value of the new name already: it is left as it is, since two values would become one. */
  taken: boolean;
}

/** What writes `to` on every value of the family's axes of a role that is called `from`, whatever its case. */
export function renamesOf(family: Family, role: Role, from: string, to: string): WordRenames {
  const renames: WordRenames = { commands: [], taken: false };
  const wanted = foldForPairing(from);
  for (const axis of family.axes) {
    const value = axis.role === role && axis.values.find((one) => foldForPairing(one.label) === wanted);
    if (!value || value.label === to) continue;
    if (axis.values.some((one) => one !== value && foldLabel(one.label) === foldLabel(to))) renames.taken = true;
    else renames.commands.push({ do: 'editValue', axisId: axis.id, valueId: value.id, label: to });
  }
  return renames;
}
