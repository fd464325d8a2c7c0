/** What stands in file names and says nothing of the goods: common practice of cameras, shops and people. */
import type { Atom } from './fileWords';

const CAMERA = new Set('img dsc dscf dscn dscin pxl mvimg screenshot scan capture pict wp'.split(' '));
const SAYS_NOTHING = new Set(
  (
    'copy kopie copie copia final finished web www hires highres lowres hq res scaled edited edit retouched retouch min thumb ' +
    'thumbnail original orig image images photo photos foto fotos pic pics picture pictures bild bilder imagen immagine img ' +
    'product produkt products shop store new neu v alt no nr num number view ansicht px jpg jpeg png rgb srgb cmyk white bg ' +
    'freigestellt cutout square crop cropped the and und of in on with mit for x art color colour farbe couleur color size groesse'
  ).split(' '),
);

export const saysNothing = (word: string): boolean => SAYS_NOTHING.has(word) || CAMERA.has(word);

/** Which atoms are no words: counters of cameras, days, sizes in pixels. Gives their places. */
export function noiseIn(atoms: readonly Atom[]): Set<number> {
  const noise = new Set<number>();
  atoms.forEach((atom, at) => {
    const next = atoms[at + 1];
    const isCounted = next && /^\d{3,}$/.test(next.text) && next.part === atom.part;
    if (CAMERA.has(atom.text) && isCounted) noise.add(at).add(at + 1);
    if (/^(19|20)\d\d(0[1-9]|1[0-2])([0-2]\d|3[01])$/.test(atom.text)) noise.add(at);
    if (atom.text === 'x' && isSide(atoms[at - 1]) && isSide(next))
      noise
        .add(at - 1)
        .add(at)
        .add(at + 1);
  });
  return noise;
}

const isSide = (atom: Atom | undefined) => atom !== undefined && /^\d{3,4}$/.test(atom.text);

/** Words that make another colour of the one they stand beside. */
export const SHADES = new Set(
  'dark light deep pale bright soft dusty heather melange mottled neon pastel hell dunkel mittel fonce clair oscuro claro scuro chiaro donker licht'.split(
    ' ',
  ),
);
