/** Patches as JSON Patch, RFC 6902. Only add, remove and replace are made. */
import { z } from 'zod';
import { Refusal } from '../refusal/refusal';

export const JsonPatchSchema = z.array(
  z.object({ op: z.enum(['add', 'remove', 'replace']), path: z.string(), value: z.unknown().optional() }),
);
export type JsonPatch = z.infer<typeof JsonPatchSchema>;

/** One step of a JSON Pointer (RFC 6901): a key or a place in a list. */
export function pointerStep(key: string | number): string {
  const text = String(key);
  return text.includes('~') || text.includes('/') ? '/' + text.replaceAll('~', '~0').replaceAll('/', '~1') : '/' + text;
}

/** The keys of a JSON Pointer. */
export function pathOf(text: string): string[] {
  return text
    .split('/')
    .slice(1)
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
}

/** The first place that both patches touch, or undefined. Adding under an object is no touch of its other entries. */
export function sharedPlace(one: JsonPatch, other: JsonPatch): string | undefined {
  const places = new Set(other.map((step) => step.path));
  const above = new Set(other.flatMap((step) => prefixesOf(step.path)));
  for (const { path } of one) {
    if (above.has(path) || prefixesOf(path).some((prefix) => places.has(prefix))) return path;
  }
  return undefined;
}

/** A pointer and all that lie above it: "/a/b" gives "/a" and "/a/b". */
function prefixesOf(path: string): string[] {
  const found: string[] = [];
  for (let at = path.indexOf('/', 1); at > 0; at = path.indexOf('/', at + 1)) found.push(path.slice(0, at));
  found.push(path);
  return found;
}

/**
 * Applies a patch to plain data and returns the result. The input is not changed, and what the patch does not touch
 * is the very same in the result. A step that does not fit is refused.
 */
export function applyPatch<T>(data: T, patch: JsonPatch): T {
  const copied = new Map<unknown, unknown>();
  const own = (thing: unknown): Record<string, unknown> => {
    if (copied.has(thing)) return thing as Record<string, unknown>;
    const copy = Array.isArray(thing) ? [...(thing as unknown[])] : { ...(thing as object) };
    copied.set(copy, thing);
    return copy as Record<string, unknown>;
  };
  const root = own(data);
  for (const step of patch) {
    const path = pathOf(step.path);
    const last = path.pop();
    if (last === undefined) throw new Refusal('patch.root', {});
    let at = root;
    for (const key of path) {
      const next = Object.hasOwn(at, key) ? at[key] : undefined;
      if (next === null || typeof next !== 'object') throw misfit(step.path);
      at = at[key] = own(next);
    }
    if (Array.isArray(at)) stepInList(at as unknown[], last, step);
    else stepInObject(at, last, step);
  }
  return root as T;
}

type Step = JsonPatch[number];

function stepInList(list: unknown[], key: string, step: Step): void {
  const index = key === '-' ? list.length : Number(key);
  const most = list.length - (step.op === 'add' ? 0 : 1);
  if (!Number.isInteger(index) || index < 0 || index > most) throw misfit(step.path);
  if (step.op === 'replace') list[index] = step.value;
  else if (step.op === 'add') list.splice(index, 0, step.value);
  else list.splice(index, 1);
}

function stepInObject(thing: Record<string, unknown>, key: string, step: Step): void {
  if (step.op !== 'add' && !Object.hasOwn(thing, key)) throw misfit(step.path);
  if (step.op === 'remove') delete thing[key];
  else Object.defineProperty(thing, key, { value: step.value, enumerable: true, writable: true, configurable: true });
}

const misfit = (path: string) => new Refusal('patch.misfit', { path });
