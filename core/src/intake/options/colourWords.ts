/** Words that name colours, in the languages supplier lists come in; which word does is common practice. */
import { colorsNamed } from 'culori';
import { TRADE_NAMES } from '../../colour/name';
import { isGoods } from './goodsWords';
import { foldLetters } from '../../text/letters';
import type { Token } from './tokens';

const split = (text: string): string[] => text.trim().split(/\s+/).map(foldLetters);

/** Say nothing but a colour. */
const PLAIN = split(`
  black white grey gray red blue green yellow orange brown pink purple beige navy burgundy maroon turquoise teal olive khaki charcoal
  anthracite ivory crimson scarlet violet lilac magenta fuchsia cyan indigo cobalt mustard ochre terracotta taupe ecru aubergine
  multicolour multicolor multicoloured aqua azure chartreuse mauve lavender peach coral salmon offwhite petrol
  eggplant cerise ultramarine sepia puce vermilion vermillion viridian cerulean celadon carmine ocher ocre heliotrope verdigris
  schwarz weiß weiss grau rot blau grün gruen gelb braun rosa lila türkis tuerkis dunkelblau hellblau bordeaux anthrazit silbern
  noir noire blanc blanche gris grise rouge bleu bleue vert verte jaune marron turquoise ecru bordeaux kaki
  negro negra blanco blanca rojo roja azul amarillo amarilla naranja morado marrón granate celeste
  nero nera bianco bianca rosso rossa blu giallo gialla arancione marrone grigio grigia verde viola azzurro
  oliv creme bordo ecrue caqui turquesa burdeos granata fucsia
  violett ocker purpur violeta purpura cian aguamarina pourpre saumon
  zwart wit rood blauw groen geel oranje bruin grijs paars roze
  svart vit röd blå grön gul brun grå lila rosa turkos hvid hvit rød grøn grønn blå sort lyserød musta valkoinen punainen sininen vihreä keltainen ruskea harmaa
  czarny biały czerwony niebieski zielony żółty szary brązowy różowy czarna biała czerwona niebieska zielona żółta szara brązowa różowa
  fioletowy pomarańczowy granatowy turkusowy bordowy beżowy preto branco vermelho laranja amarelo cinza bege roxo marrom ciano
`);

/** Name a thing besides: they are a colour where they stand among colours. */
const ALSO_THINGS = split(`
  storm stone sand sun ice sky forest bottle ocean fog smoke cement concrete dove lead mist pearl snow chalk coal soot jet raven cherry brick
  poppy wine tomato copper signal honey corn butter maize straw moss fern grass leaf army hunter ivy rose candy heather berry orchid
  plum crystal grape thistle chocolate coffee cocoa caramel camel tan walnut chestnut oat oatmeal dune bone cream linen wheat biscuit natural nude denim
  mint lime pine slate clay steel silver gold bronze brass marine royal spruce kelp seaweed lagoon kingfisher apricot blush cobalt ruby
  emerald jade amber ginger papaya pumpkin saffron canary lemon banana turmeric sage basil eucalyptus laurel juniper pistachio avocado
  midnight denim sapphire cornflower ink periwinkle lupin amethyst mulberry iris flamingo bubblegum peony carnation watermelon
  raspberry strawberry cranberry blueberry mahogany umber sienna cinnamon nutmeg toffee tobacco mocha espresso cognac hazel
  vanilla champagne parchment fawn buff flint pebble graphite granite pewter gunmetal ash dusk dawn rust russet oxblood madder garnet claret
  cardinal cinder shadow sunset sunrise glacier lichen bracken gorse heath peat sorrel damson quince fennel nettle hemlock
  senf flieder natur moutarde sable corail lavande sapin panna ruggine senape sabbia cammello oliva mostaza arena crudo zand roest mosterd
  rainbow assorted mixed multi transparent clear undyed ebony onyx
  tangerine mandarin apple pear melon mango kiwi grapefruit pineapple persimmon currant blackcurrant raisin boysenberry cranberry sangria merlot cider rhubarb
  beetroot celery asparagus artichoke olivine parsley spearmint peppermint cress clover shamrock jasmine magnolia marigold dandelion daffodil buttercup
  primrose sunflower daisy bluebell foxglove hyacinth lobelia wisteria petunia phlox hibiscus geranium cyclamen camellia tulip violet rosehip
  mink sable truffle mushroom oyster peacock mallard
  tortoiseshell tortoise eggshell alabaster porcelain marble quartz opal topaz agate jasper obsidian malachite lapis citrine tourmaline moonstone
  sandstone shale adobe driftwood desert earth mud peatland moor meadow loch aegean baltic atlantic pacific arctic polar frost cloud thunder twilight
  nightfall seafoam airforce admiral hickory pecan cedar rosewood redwood teak wenge almond hazelnut praline fudge butterscotch gingerbread marmalade
  treacle liquorice licorice latte cappuccino macchiato brandy whisky porridge paprika chilli curry cumin clove anise buttermilk biscotti shortbread
  menthe prune sarcelle moka rouille framboise abricot peche tilleul anis lilas parme grenat ivoire nacre argent cuivre encre
  minze pflaume smaragd koralle himbeere aprikose pfirsich zimt kirsche kupfer elfenbein schiefer tanne moos salbei lavendel honig karamell brombeere kiesel kobalt
  menta prugna smeraldo corallo lampone albicocca pesca ciliegia rame avorio ardesia muschio salvia miele caramello mattone tortora cipria glicine antracite
  ciruela esmeralda frambuesa melocoton cereza cobre marfil pizarra musgo caramelo ladrillo antracita malva
  munt pruim koraal framboos abrikoos perzik koper ivoor leisteen salie karamel antraciet
  iceberg lava ember flame blaze fire nickel titanium platinum chrome zinc cafe vino tabac tabak sabbia cielo
`);

/** Several words that are a colour together, and none or another alone. */
export const COLOUR_PHRASES: readonly string[] = [
  ...[
    'duck egg',
    'duck egg blue',
    'duck egg green',
    'egg shell',
    'robin egg blue',
    'bubble gum',
    'sea foam',
    'sea glass',
    'tortoise shell',
    'air force blue',
    ...['light', 'mid', 'medium', 'dark', 'stone', 'acid', 'vintage', 'rinse', 'enzyme', 'bleach'].map(
      (wash) => `${wash} wash`,
    ),
  ],
  ...[
    'old rose',
    'fire engine red',
    'post box red',
    'pillar box red',
    'milk chocolate',
    'burnt umber',
    'elephant grey',
    'mouse grey',
    'battleship grey',
  ],
  ...[
    'tea rose',
    'rose water',
    'nut brown',
    'army green',
    'off black',
    'ball blue',
    'french blue',
    'french navy',
    'blue black',
    'blood orange',
  ],
];

/** How suppliers shorten colours, and the words that change them. */
const SHORT = new Map(
  Object.entries({
    blk: 'black',
    wht: 'white',
    gry: 'grey',
    nvy: 'navy',
    blu: 'blue',
    grn: 'green',
    ylw: 'yellow',
    brn: 'brown',
    bge: 'beige',
    pnk: 'pink',
    olv: 'olive',
    khk: 'khaki',
    chr: 'charcoal',
    burg: 'burgundy',
    lt: 'light',
    lgt: 'light',
    dk: 'dark',
    drk: 'dark',
    med: 'medium',
    brt: 'bright',
    hthr: 'heather',
  }),
);

/** Make another colour of the one they stand before. */
const BEFORE_COLOURS = new Set(
  split(`
  dark light deep pale bright soft dusty off burnt washed faded vintage hot baby royal navy neon pastel metallic matte heather heathered
  mottled melange warm cool true electric powder dull medium mid dusky muted rich greyish grayish bluish greenish brownish yellowish reddish
  pinkish purplish acid fluorescent fluoro slate petrol bubblegum chalk smoky misty stormy sandy creamy rosy antique polished brushed satin matt gloss glossy shiny aged burnished distressed winter summer spring autumn nordic tropical
  rose forest bottle sky ice sea midnight steel stone racing hunter army moss mint lime grass apple sage
  dunkel hell mittel tief clair fonce pale oscuro claro chiaro scuro donker licht mork ljus
`),
);
/** Follow the colour they change: "bleu foncé", "grigio chiaro", "grey marl". */
const AFTER_COLOURS = new Set(
  split(
    'fleck flecked nep neps speckle speckled slub multi mix fonce foncee clair claire marine melange marl heather claro oscuro chiaro scuro marino mel chine pastel notte nuit ciel canard roi sauge casse ardoise perle souris foret bouteille petrole jean poudre amande brique citron chocolat bosco cipria perla salvia mattone militare elettrico bosque palo militar electrico vino jaspeado marengo meliert gemeleerd melerad botella bottiglia fumo plomo roto ghiaccio hielo humo sapin glacier brulee petroleo pizarra oliva menta',
  ),
);
/** Written together in German and Dutch: dunkelblau, hellgrau. */
const ENDINGS = split('blau grau grün rot gelb braun rosa weiss schwarz blauw grijs groen blue green grey white');

/** Written together with the colour that they change: dunkeloliv, hellrosa, donkergroen. */
const SHADES = split('dunkel hell mittel donker licht knall pastell');

const plain = new Set([...PLAIN, ...Object.keys(colorsNamed).map(foldLetters)]);
const things = new Set([...ALSO_THINGS, ...Object.keys(TRADE_NAMES)]);
for (const word of things) if (!PLAIN.includes(word)) plain.delete(word);

export type ColourWord = 'plain' | 'thing' | null;

/** The word that a supplier's short form stands for; any other as it is. */
export const inFull = (word: string): string => SHORT.get(word) ?? word;

/** Whether a word is a short form, which may have a point behind it: "Lt. grey". */
export const isShortened = (word: string): boolean => SHORT.has(word);

/** Join two colours to one value, as signs do. */
export const COLOUR_JOINTS = new Set('and und et y e en og och'.split(' '));

/** Two spellings of one colour have the same: its words in full, without what joins them. */
export const colourKey = (tokens: readonly Token[]): string =>
  tokens
    .filter((token) => token.kind !== 'sign' && !COLOUR_JOINTS.has(token.text))
    .map((token) => inFull(token.text))
    .join('');

/** What a word says of a colour. `word` is folded. */
export function colourWord(word: string): ColourWord {
  if (plain.has(inFull(word))) return 'plain';
  // Of what is goods besides only cream is much more often a colour.
  if (things.has(word)) return isGoods(word) && word !== 'cream' ? null : 'thing';
  const ending = ENDINGS.find((one) => word.length > one.length + 2 && word.endsWith(one));
  const shade = ending ? undefined : SHADES.find((one) => word.startsWith(one));
  return ending || (shade && plain.has(word.slice(shade.length))) ? 'plain' : null;
}

/** @param next the word after it; a bottle is a colour only where it is green, else it is goods */
export const isBeforeColour = (word: string, next?: string): boolean =>
  BEFORE_COLOURS.has(inFull(word)) && (word !== 'bottle' || next === undefined || next === 'green');
export const isAfterColour = (word: string): boolean => AFTER_COLOURS.has(word);
