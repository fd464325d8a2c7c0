/** Bounds of what is sent as JSON, looked at before anything is made of it. */
import { Refusal } from '@loom-kin/core/refusal';

/** Things within things: a family is nine deep. */
const DEEPEST = 40;
const [QUOTE, BACKSLASH] = ['"', '\\'].map((sign) => sign.charCodeAt(0));
const OPENING = new Set(['[', '{'].map((sign) => sign.charCodeAt(0)));
const CLOSING = new Set([']', '}'].map((sign) => sign.charCodeAt(0)));

/**
 * Refuses JSON that is nested deeper than anything here is: reading it would hold everybody up. One pass over the bytes.
 * @param bytes UTF-8
 */
export function requireDepth(bytes: Uint8Array): void {
  let depth = 0;
  let isText = false;
  for (let at = 0; at < bytes.length; at++) {
    const byte = bytes[at]!;
    if (isText) {
      if (byte === BACKSLASH) at += 1;
      else if (byte === QUOTE) isText = false;
    } else if (byte === QUOTE) isText = true;
    else if (OPENING.has(byte)) {
      depth += 1;
      if (depth > DEEPEST) throw new Refusal('input.deep', { most: DEEPEST });
    } else if (CLOSING.has(byte)) depth -= 1;
  }
}
