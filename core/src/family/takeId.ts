/** Ids within a family. */
import type { Family } from './shape';

/** A new id, never given before in this family. */
export function takeId(family: Family, kind: 'a' | 'v' | 'c'): string {
  const id = kind === 'c' ? `${family.id}.c${family.next}` : `${kind}${family.next}`;
  family.next += 1;
  return id;
}
