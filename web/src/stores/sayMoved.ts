/** Says after a change of the structure what stands at single children from now on, where nobody looked ahead. */
import { movedFigures } from '@loom-kin/core/change';
import { type Namer, movedFigureText } from '@loom-kin/core/descriptions';
import type { Family } from '@loom-kin/core/family';
import { say } from '../api/api';

/** So many are said; the journal has all of them. */
const SAID = 2;

export function sayMoved(namer: Namer, before: Family, after: Family): void {
  const texts = movedFigures(before, after).map((one) => movedFigureText(namer, before, one));
  const rest = texts.length > SAID ? `And ${texts.length - SAID} more.` : '';
  if (texts.length > 0) say([...texts.slice(0, SAID), rest].join(' '));
}
