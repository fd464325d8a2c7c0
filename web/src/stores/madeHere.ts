/** What changes make of a family, as the page worked it out when it showed them: nothing is computed twice. */
import { runCommand } from '@loom-kin/core/change';
import type { Namer } from '@loom-kin/core/descriptions';
import type { Family } from '@loom-kin/core/family';
import type { Pending } from './pending';

/** The family the page showed before and after a change. */
export interface Made {
  before: Family;
  after: Family;
}

export interface MadeHere {
  /** Remembers what the only change that waits makes of the family. */
  remember(change: Pending, made: Made): void;
  /** The family after a change: as the page made it where it was made on this very family, else worked out. */
  after(before: Family, change: Pending): Family;
}

export function createMadeHere(namer: () => Namer): MadeHere {
  let known: (Made & { key: string }) | null = null;
  return {
    remember: ({ key }, made) => void (known = { key, ...made }),
    after(before, change) {
      const made = known?.key === change.key ? known : null;
      if (made) known = null;
      if (made?.before === before) return made.after;
      return afterAll(namer(), before, [change]);
    },
  };
}

/** A family after changes, one after the other. */
export const afterAll = (namer: Namer, family: Family, changes: readonly Pending[]): Family =>
  changes.reduce((now, { command }) => (command ? runCommand(namer.registry, now, command).family : now), family);
