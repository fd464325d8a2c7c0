/** Which value the goods in a picture have the colour of. */
import { colourDifference } from '../../colour/name';
import type { Axis, Value } from '../../family/shape';
import type { PictureLook } from '../pictureFacts';

/** A swatch and a photograph of it lie no farther apart (CIEDE2000; common practice). */
const NEAR = 14;
/** The next likely value lies at least so much farther. */
const CLEARLY = 7;
/** A colour that fills less of the goods does not say which they are. */
const LARGE = 0.25;

/** How far the goods in the picture are from a swatch: that of their large colours which is nearest (CIEDE2000). */
export function distanceToSwatch(look: PictureLook, swatch: string): number {
  const large = look.colours.filter((one, at) => at === 0 || one.share >= LARGE);
  return Math.min(...large.map(({ colour }) => colourDifference(colour, swatch)));
}

/** The value whose swatch the goods clearly have, and how far it is; null where none or several are near. */
export function valueOfColour(axis: Axis, look: PictureLook): { value: Value; difference: number } | null {
  const far = axis.values
    .flatMap((value) => (value.swatch ? [{ value, difference: distanceToSwatch(look, value.swatch) }] : []))
    .sort((a, b) => a.difference - b.difference);
  const [best, next] = far;
  if (!best || best.difference > NEAR) return null;
  return next && next.difference - best.difference < CLEARLY ? null : best;
}
