/** What the planner remembers: combinations, labels and plans, for as long as whoever asks keeps the memory. */
import type { Family } from '../../family/shape';
import type { PlannerCache, Structure } from './shape';

export const createPlannerCache = (): PlannerCache => ({
  columns: null,
  combinations: new Map(),
  spreads: new Map(),
  labels: new Map(),
  tooLong: new Map(),
  plans: new WeakMap(),
  standing: new WeakMap(),
  pricesLost: new WeakMap(),
});

export interface PlannerMemory {
  /**
   * The structure of a family as it is remembered, or made and kept from now on. `view` names what of the family it depends on beside
   * the family itself: scopes with labels of their own.
   */
  structure(family: Family, view: string, make: () => Pick<Structure, 'axes' | 'children'>): Structure;
}

/** A memory of the structures seen last. One belongs to whoever computes fits again and again, such as a worker. */
export function createPlannerMemory(most = 8): PlannerMemory {
  const structures = new Map<string, Structure>();
  const ofFamilies = new WeakMap<Family, Map<string, Structure>>();
  /** Families of one structure share it: most changes touch figures alone. */
  function alike({ axes, children }: Pick<Structure, 'axes' | 'children'>): Structure {
    const key = JSON.stringify([axes, children.map((child) => [child.id, ...child.at])]);
    const structure = structures.get(key) ?? {
      axes: Object.freeze(axes),
      children: Object.freeze(children),
      cache: createPlannerCache(),
    };
    structures.delete(key);
    structures.set(key, structure);
    if (structures.size > most) structures.delete(structures.keys().next().value!);
    return structure;
  }
  return {
    structure(family, view, make) {
      let views = ofFamilies.get(family);
      if (!views) ofFamilies.set(family, (views = new Map<string, Structure>()));
      const cache = views.get(view) ?? alike(make());
      // A family that may still change is looked at anew.
      if (Object.isFrozen(family)) views.set(view, cache);
      return cache;
    },
  };
}
