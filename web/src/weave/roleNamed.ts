/** What an axis is about, by its name. */
import type { Role } from '@loom-kin/core/family';
import { openHeaders } from '@loom-kin/core/intake';
import type { Registry } from '@loom-kin/core/registry';

const known = new WeakMap<Registry, ReturnType<typeof openHeaders>>();

/** The role that a name says, in whatever language lists are read in: "Size", "Farbe"; undefined where it says none. */
export function roleNamed(registry: Registry, name: string): Role | undefined {
  let meaningOf = known.get(registry);
  if (!meaningOf) known.set(registry, (meaningOf = openHeaders(registry)));
  const meant = meaningOf(name);
  return meant?.certainty === 1 && meant.meaning.is === 'option' ? meant.meaning.role : undefined;
}
