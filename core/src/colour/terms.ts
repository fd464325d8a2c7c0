/**
 * Which basic colour a word or a swatch is of. The eleven basic terms are those of Berlin and Kay, "Basic Color Terms", 1969, with beige
 * and turquoise beside them, since the trade sorts by those too. Which word belongs to which is common practice.
 */
import { ownOf } from '../text/own';
import { colorsNamed } from 'culori';
import { nearestOf, TRADE_NAMES } from './name';

const WORDS = {
  black: 'black jet onyx ebony raven coal soot noir obsidian',
  white: 'white snow ivory chalk alabaster pearl optic milk ghostwhite',
  grey: 'grey gray silver slate ash charcoal graphite anthracite steel pewter granite storm fog smoke cement concrete dove gunmetal marl pebble flint lead mist gainsboro',
  red: 'red crimson scarlet ruby cherry burgundy maroon wine bordeaux oxblood brick madder garnet tomato poppy cardinal claret carmine cranberry raspberry firebrick',
  orange: 'orange rust terracotta coral tangerine apricot peach pumpkin amber copper signal mandarin papaya ginger',
  yellow: 'yellow lemon mustard gold ochre sun saffron canary butter maize honey straw corn banana turmeric goldenrod',
  green:
    'green olive lime mint sage moss pine spruce forest fern emerald jade khaki bottle kelp seaweed pistachio avocado army hunter basil eucalyptus laurel ivy chartreuse grass leaf juniper',
  turquoise: 'turquoise teal aqua cyan petrol lagoon aquamarine verdigris seafoam',
  blue: 'blue navy sky midnight cobalt denim indigo azure royal kingfisher sapphire ice cornflower marine ocean ink cerulean ultramarine periwinkle',
  purple:
    'purple violet lilac lavender plum aubergine eggplant mauve heather lupin amethyst grape orchid mulberry iris thistle berry',
  pink: 'pink rose blush fuchsia magenta salmon cerise flamingo bubblegum candy peony carnation watermelon',
  brown:
    'brown chocolate cocoa coffee caramel camel tan walnut chestnut cognac mocha espresso hazel tobacco mahogany umber sienna bronze taupe cinnamon nutmeg toffee clay russet peru',
  beige:
    'beige sand dune oat oatmeal ecru cream bone stone natural undyed nude linen wheat biscuit champagne buff fawn parchment vanilla bisque',
  many: 'multi multicolour multicoloured multicolor rainbow assorted mixed many',
} as const;
export type BasicColour = keyof typeof WORDS;

const COLOUR_OF = new Map(
  (Object.entries(WORDS) as [BasicColour, string][]).flatMap(([colour, words]) =>
    words.split(' ').map((word) => [word, colour] as const),
  ),
);

/** Where goods of a colour go when there is none of it, the likeliest first. */
export const BESIDE: Record<BasicColour, readonly BasicColour[]> = {
  black: ['grey'],
  white: ['beige', 'grey'],
  grey: ['black', 'white'],
  red: ['pink', 'orange', 'brown'],
  orange: ['red', 'yellow', 'brown'],
  yellow: ['orange', 'beige'],
  green: ['turquoise'],
  turquoise: ['blue', 'green'],
  blue: ['turquoise', 'purple'],
  purple: ['pink', 'blue'],
  pink: ['red', 'purple'],
  brown: ['beige', 'orange'],
  beige: ['brown', 'white', 'yellow'],
  many: [],
};

/** The basic colour that a name says: that of its last known word, "Blue grey" is a grey. Null where no word is known. */
export function basicColourOfName(name: string): BasicColour | null {
  const words = name
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(Boolean);
  for (const word of words.toReversed()) {
    const colour = COLOUR_OF.get(word);
    if (colour) return colour;
  }
  return null;
}

/** Names of CSS that end in a word they are not, most of them hardly a colour at all. */
const CSS_OTHERWISE: Record<string, BasicColour> = {
  ...Object.fromEntries(
    'aliceblue azure mintcream honeydew ghostwhite floralwhite seashell lavenderblush whitesmoke ivory snow'
      .split(' ')
      .map((name) => [name, 'white' as const]),
  ),
  orangered: 'orange',
  mediumvioletred: 'pink',
  palevioletred: 'pink',
};

/** Names of CSS are written together: `mediumseagreen` is a green. */
function basicColourOfCss(name: string): BasicColour | null {
  const otherwise = ownOf(CSS_OTHERWISE, name);
  if (otherwise) return otherwise;
  const endings = [...COLOUR_OF].filter(([word]) => name.endsWith(word));
  return endings.sort((a, b) => b[0].length - a[0].length)[0]?.[1] ?? null;
}

/** Colours whose name says what they are; a swatch is what the nearest of them is. */
const EXAMPLES = [
  ...Object.entries(TRADE_NAMES).map(([name, swatch]) => ({ colour: COLOUR_OF.get(name) ?? null, swatch })),
  ...Object.keys(colorsNamed).map((name) => ({ colour: basicColourOfCss(name), swatch: name })),
].flatMap(({ colour, swatch }) => (colour ? [{ colour, swatch }] : []));

const nearestExample = nearestOf(EXAMPLES);

/** The basic colour of a swatch, and how far the nearest colour of that name is (CIEDE2000). */
export function basicColourOfSwatch(swatch: string): { colour: BasicColour; difference: number } {
  const near = nearestExample(swatch)!;
  return { colour: near.colour.colour, difference: near.difference };
}
