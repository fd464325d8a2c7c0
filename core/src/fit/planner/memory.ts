/** What the planner remembers: combinations, labels and plans, for as long as whoever asks keeps the memory. */
import type { Known, Structure, TaskAxis, TaskChild } from './shape';

export const createKnown = (): Known => ({ combinations: new Map(), labels: new Map(), plans: new WeakMap() });

export interface PlannerMemory {
  /** The structure as it is remembered, or kept from now on. */
  structure(axes: TaskAxis[], children: TaskChild[]): Structure;
}

/** A memory of the structures seen last. One belongs to whoever computes fits again and again, such as a worker. */
export function createPlannerMemory(most = 8): PlannerMemory {
  const structures = new Map<string, Structure>();
  return {
    structure(axes, children) {
      const key = JSON.stringify([axes, children.map((child) => [child.id, ...child.at])]);
      const structure = structures.get(key) ?? {
        axes: Object.freeze(axes),
        children: Object.freeze(children),
        known: createKnown(),
      };
      structures.delete(key);
      structures.set(key, structure);
      if (structures.size > most) structures.delete(structures.keys().next().value!);
      return structure;
    },
  };
}
