/** A swatch guessed from a colour's name, and the difference between colours. */
import { ownOf } from '../text/own';
import { colorsNamed, converter, differenceCiede2000, formatHex, parse, type Lab65 } from 'culori';

/** Names the trade uses beside those of the CSS colour module; the figures are ours. */
export const TRADE_NAMES: Record<string, string> = {
  rust: '#A4502B',
  ochre: '#C58A1C',
  mustard: '#C9971C',
  spruce: '#24483C',
  moss: '#5B6B3A',
  pine: '#2A4B3B',
  sage: '#9CAA8B',
  midnight: '#1B2540',
  ink: '#202A3A',
  storm: '#5A6772',
  slate: '#56626C',
  granite: '#7B7F80',
  pewter: '#8E9296',
  ash: '#B4B7B4',
  charcoal: '#3B3F43',
  graphite: '#46494C',
  fog: '#C9CECF',
  sand: '#D2BE98',
  dune: '#CBB48C',
  oat: '#DDD0B4',
  ecru: '#E3D9C3',
  cream: '#F3EAD3',
  chalk: '#F1EFE7',
  bone: '#E6DFCF',
  stone: '#B8AE9C',
  clay: '#B4694A',
  brick: '#94412F',
  madder: '#A9362B',
  cherry: '#A3182F',
  wine: '#6B1D32',
  berry: '#7E2348',
  plum: '#5B2A52',
  heather: '#94799B',
  lupin: '#6C62A8',
  kelp: '#4C5325',
  seaweed: '#3C5043',
  lagoon: '#1F7A83',
  petrol: '#14525E',
  kingfisher: '#0E7FA6',
  sky: '#8CC0DE',
  ice: '#D3E7EC',
  denim: '#3F5C83',
  cobalt: '#1F4EA3',
  lemon: '#F0DC4B',
  sun: '#F4BD2A',
  signal: '#F2641D',
  apricot: '#F0A96B',
  blush: '#E7BDB3',
  rose: '#D98A96',
  chocolate: '#4B2E20',
  cocoa: '#5A3B2B',
  caramel: '#B5773E',
  camel: '#BE935A',
  tan: '#C69C6D',
  walnut: '#5C432E',
  mint: '#AEDCC4',
  lime: '#A6C83A',
  bottle: '#12402F',
  forest: '#22482F',
  fern: '#4F7B43',
  oxblood: '#5A1A20',
  natural: '#E5DCC6',
  undyed: '#E7E0CE',
};

/**
 * `#RRGGBB` for a colour's name, by the whole name or its last known word ("Deep Spruce"); null when no word is
 * known.
 */
export function guessSwatch(name: string): string | null {
  const words = name
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(Boolean);
  for (const candidate of [words.join(''), ...words.toReversed()]) {
    const trade = ownOf(TRADE_NAMES, candidate);
    if (trade) return trade;
    if (Object.hasOwn(colorsNamed, candidate)) return formatHex(candidate)!.toUpperCase();
  }
  return null;
}

const difference = differenceCiede2000();
/** The space that CIEDE2000 measures in; a colour given in it is not converted again. */
const measured = converter('lab65');

function measure(colour: string): Lab65 {
  const parsed = parse(colour);
  if (!parsed) throw new RangeError(`not a colour: ${colour}`);
  return measured(parsed);
}

/**
 * CIEDE2000 between two colours (any CSS notation). Sharma, Wu, Dalal, "The CIEDE2000 Color-Difference Formula",
 * 2005.
 */
export const colourDifference = (a: string, b: string): number => difference(measure(a), measure(b));

/** Finds the nearest of some colours, and how far it is; null for an empty list. They are measured once. */
export function nearestOf<T extends { swatch: string }>(
  among: readonly T[],
): (swatch: string) => { colour: T; difference: number } | null {
  const candidates = among.map((colour) => ({ colour, lab: measure(colour.swatch) }));
  return (swatch) => {
    const wanted = measure(swatch);
    let best: { colour: T; difference: number } | null = null;
    for (const { colour, lab } of candidates) {
      const far = difference(wanted, lab);
      if (!best || far < best.difference) best = { colour, difference: far };
    }
    return best;
  };
}
