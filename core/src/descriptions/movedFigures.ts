/** What is said of figures that children keep as their own. */
import type { MovedFigure } from '../change/movedFigures';
import type { Family } from '../family/shape';
import { placeLabel } from '../family/weave';
import { scopeText, type Namer } from './changes';
import { children } from '../text/counts';

/** "Price of everything Rust on Fernpost: 4 children keep it as their own." @param before the family that it stood in */
export function movedFigureText(
  namer: Namer,
  before: Family,
  { place, scope, key, children: count }: MovedFigure,
): string {
  const label = key === 'pictures' ? 'Pictures' : (namer.registry.field(key)?.label ?? key);
  const it = key === 'pictures' ? 'them' : 'it';
  return `${label} of ${placeLabel(before, place)}${scopeText(namer, scope)}: ${children(count)} ${count === 1 ? 'keeps' : 'keep'} ${it} as ${count === 1 ? 'its' : 'their'} own.`;
}
