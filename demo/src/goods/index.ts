/** The goods of Skerry Supply, a made-up maker of foul-weather clothing and things for life by the water. */
import { KEPT } from './kept';
import type { DemoFamily } from './kit';
import { WORN } from './worn';

export type { DemoFamily } from './kit';

export const DEMO: readonly DemoFamily[] = [...WORN, ...KEPT];

/** Colours of the blankets' patterns, which have no swatch of their own. */
export const PATTERN_COLOURS: Record<string, string> = {
  Squall: '#5A6772',
  Haar: '#B4B7B4',
  Swell: '#14525E',
  'Low sun': '#C58A1C',
};
