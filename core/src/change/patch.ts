/** Patches as JSON Patch, RFC 6902. Only add, remove and replace are made. */
import type { Patch } from 'immer';
import { z } from 'zod';
import { Refusal } from '../family/shape';

export const JsonPatchSchema = z.array(
  z.object({ op: z.enum(['add', 'remove', 'replace']), path: z.string(), value: z.unknown().optional() }),
);
export type JsonPatch = z.infer<typeof JsonPatchSchema>;

/** A JSON Pointer (RFC 6901) for a path of keys. */
export function pointer(path: readonly (string | number)[]): string {
  return path.map((step) => '/' + String(step).replaceAll('~', '~0').replaceAll('/', '~1')).join('');
}

/** The keys of a JSON Pointer. */
export function pathOf(text: string): string[] {
  return text
    .split('/')
    .slice(1)
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
}

/** The library's patches in the form of the standard. Its "set an array's length" becomes removals from the end. */
export function toJsonPatch(patches: readonly Patch[]): JsonPatch {
  return patches.map(({ op, path, value }) =>
    op === 'remove' ? { op, path: pointer(path) } : { op, path: pointer(path), value: value as unknown },
  );
}

/**
 * Applies a patch to plain data and returns the result; the input is not changed. A step that does not fit is
 * refused.
 */
export function applyPatch<T>(data: T, patch: JsonPatch): T {
  const root: unknown = clone(data);
  for (const step of patch) {
    const path = pathOf(step.path);
    const last = path.pop();
    if (last === undefined) throw new Refusal('patch.root', 'A patch may not replace the whole.');
    let at = root as Record<string, unknown>;
    for (const key of path) {
      const next = Object.hasOwn(at, key) ? at[key] : undefined;
      if (next === null || typeof next !== 'object') throw misfit(step.path);
      at = next as Record<string, unknown>;
    }
    const value = clone(step.value);
    if (Array.isArray(at)) {
      const list = at as unknown[];
      const index = last === '-' ? list.length : Number(last);
      if (!Number.isInteger(index) || index < 0 || index > list.length - (step.op === 'add' ? 0 : 1))
        throw misfit(step.path);
      if (step.op === 'replace') list[index] = value;
      else if (step.op === 'add') list.splice(index, 0, value);
      else list.splice(index, 1);
    } else {
      if (step.op !== 'add' && !Object.hasOwn(at, last)) throw misfit(step.path);
      if (step.op === 'remove') delete at[last];
      else at[last] = value;
    }
  }
  return root as T;
}

const clone = <T>(data: T): T => (data === undefined ? data : (JSON.parse(JSON.stringify(data)) as T));

function misfit(path: string): Refusal {
  return new Refusal('patch.misfit', `This change cannot be taken back: what it touched has changed since (${path}).`);
}
