/**
 * The difference between two states of plain data as patches forth and back (RFC 6902: add, remove, replace). What is
 * the same object in both is not looked into, so that the work grows with what changed and not with what there is.
 */
import { ownOf } from '../text/own';
import { dequal } from 'dequal';
import { pointerStep, type JsonPatch } from './patch';

export interface Difference {
  /** Makes the second state of the first. Empty where nothing differs. */
  forward: JsonPatch;
  /** Makes the first state of the second. */
  inverse: JsonPatch;
}

type Plain = Record<string, unknown>;

const isPlain = (data: unknown): data is Plain => typeof data === 'object' && data !== null && !Array.isArray(data);
/** Lists of things are compared thing by thing, lists of words as a whole. */
const holdsThings = (list: readonly unknown[]) => list.every(isPlain);

export function difference(before: unknown, after: unknown): Difference {
  const forward: JsonPatch = [];
  const inverse: JsonPatch = [];
  compare('', before, after, forward, inverse);
  // What was done last is taken back first: things added at the end of a list go from its end.
  return { forward, inverse: inverse.reverse() };
}

/** `path` is the pointer of what is compared. */
function compare(path: string, a: unknown, b: unknown, forward: JsonPatch, inverse: JsonPatch): void {
  if (a === b) return;
  if (isPlain(a) && isPlain(b)) compareKeys(path, a, b, forward, inverse);
  else if (Array.isArray(a) && Array.isArray(b) && holdsThings(a) && holdsThings(b))
    compareLists(path, a, b, forward, inverse);
  else if (!dequal(a, b)) {
    forward.push({ op: 'replace', path, value: b });
    inverse.push({ op: 'replace', path, value: a });
  }
}

function compareKeys(path: string, a: Plain, b: Plain, forward: JsonPatch, inverse: JsonPatch): void {
  for (const key of Object.keys(a)) {
    const now = ownOf(b, key);
    if (a[key] === undefined || a[key] === now) continue;
    const place = path + pointerStep(key);
    if (now !== undefined) compare(place, a[key], now, forward, inverse);
    else {
      forward.push({ op: 'remove', path: place });
      inverse.push({ op: 'add', path: place, value: a[key] });
    }
  }
  for (const key of Object.keys(b)) {
    if (b[key] === undefined || ownOf(a, key) !== undefined) continue;
    const place = path + pointerStep(key);
    forward.push({ op: 'add', path: place, value: b[key] });
    inverse.push({ op: 'remove', path: place });
  }
}

function compareLists(path: string, a: unknown[], b: unknown[], forward: JsonPatch, inverse: JsonPatch): void {
  const both = Math.min(a.length, b.length);
  for (let at = 0; at < both; at++) {
    if (a[at] !== b[at]) compare(path + pointerStep(at), a[at], b[at], forward, inverse);
  }
  for (let at = both; at < b.length; at++) {
    forward.push({ op: 'add', path: path + pointerStep(at), value: b[at] });
    inverse.push({ op: 'remove', path: path + pointerStep(at) });
  }
  for (let at = a.length - 1; at >= both; at--) {
    forward.push({ op: 'remove', path: path + pointerStep(at) });
    inverse.push({ op: 'add', path: path + pointerStep(at), value: a[at] });
  }
}
