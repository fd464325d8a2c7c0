/** Words that are choices of one trade: how coffee is ground, how firm a mattress is, for which hand. Common practice. */
import { ownOf } from '../../text/own';
import { stemOf } from '../../pictures/match/catalogue';
import { stemsOf } from './goodsWords';
import { phraseEnd, tokensOf, type Token } from './tokens';

interface TradeChoice {
  /** Values parted by commas, each with its spellings parted by strokes, the first of them its key. */
  values: string;
  /** Goods that it is a choice of; without them of any. */
  of?: string;
  /** May stand before the goods: "Left-handed scissors". */
  mayLead?: true;
}

/** What a choice is called → its values. */
const TRADE_CHOICES: Record<string, TradeChoice> = {
  Grind: {
    values: `
      whole bean | whole beans | beans | bean | ganze bohne | ganze bohnen | bohnen | grains | en grains | en
      grano | in grani, ground | pre ground | gemahlen | moulu | molido | macinato | gemalen, espresso | espresso
      grind, filter | filter grind, cafetiere | cafetiere grind, french press, moka | moka grind | stovetop, omni
      grind, coarse grind, fine grind
    `,
    of: 'coffee espresso blend roast kaffee röstung café caffè koffie pepper pfeffer poivre',
  },
  Roast: { values: 'light roast | light, medium roast | medium, dark roast | dark', of: 'coffee kaffee café roast' },
  Caffeine: {
    values: 'decaf | decaffeinated | entkoffeiniert, regular | caffeinated',
    of: 'coffee tea kaffee tee café',
  },
  Form: {
    values: 'loose leaf | loose | lose, tea bags | tea bag | teabags | bags | bag | beutel | teebeutel, pyramid bags',
    of: 'tea tee thé infusion',
  },
  Salt: { values: 'salted | gesalzen | sale, unsalted | ungesalzen | doux, lightly salted, slightly salted' },
  Heat: {
    values: 'mild, medium | mittel, hot | scharf | spicy | piquant, extra hot | extra scharf',
    of: 'sauce salsa chilli chili curry relish paste chutney mustard senf powder paprika jerky',
  },
  Texture: {
    values: 'smooth | creamy, crunchy | chunky, extra crunchy, fine | fein, coarse | grob',
    of: 'butter spread sauce salt salz mustard senf sugar sandpaper pâté',
  },
  Gas: { values: 'still | stilles, sparkling | carbonated', of: 'water wasser' },
  Sweetness: {
    values:
      'dry | trocken | sec, medium dry | halbtrocken | demi sec, medium sweet, sweet | lieblich | doux, brut, extra dry',
    of: 'wine wein vin cider sherry cava sekt vermouth prosecco',
  },
  Firmness: {
    values:
      'extra soft, soft | weich | souple | morbido | zacht | blando, medium soft, medium | mittel | medio, medium firm, firm | fest | ferme | rigido | stevig | firme, extra firm, hard | hart',
    of: `
      pillow mattress cushion topper futon brush toothbrush roller ball pad putty kissen matratze topper oreiller
      matelas materasso cuscino matras kussen almohada colchón bürste
    `,
  },
  Hand: {
    values: `
      left hand | left handed | left hander | left | lh | linkshänder | links | linke hand | gaucher | gauche |
      main gauche | mancino | sinistra | zurdo | izquierda | linkshandig, right hand | right handed | right hander
      | right | rh | rechtshänder | rechts | rechte hand | droitier | droite | main droite | destro | destra |
      diestro | derecha | rechtshandig, ambidextrous
    `,
    mayLead: true,
  },
  Heading: {
    values:
      'eyelet | eyelets | grommet | ösen | oeillets | à oeillets, pencil pleat | kräuselband, pinch pleat | pinch pleated, tab top | tab | schlaufen | schlaufenschal, rod pocket | tunnelzug, ring top, wave, goblet pleat',
    of: 'curtain drape voile panel vorhang gardine rideau tenda gordijn cortina',
  },
  Lining: {
    values: 'blackout | verdunkelung | occultant, dim out | dimout, sheer, thermal',
    of: 'curtain blind roller rollo vorhang rideau',
  },
  Finish: {
    values:
      'gloss | high gloss | glossy | glänzend | brillant, semi gloss | seidenglanz, matt | matte | mat | flat, satin | seidenmatt | satiné, silk, eggshell, brushed | gebürstet, polished | poliert, natural',
    of: `
      paint emulsion varnish lacquer lack farbe peinture vernice stain spray paper print handle knob hook tap tile
      varnish sealer primer wax board
    `,
  },
  Nib: {
    values:
      'extra fine | extra fine nib, fine | fine nib, medium | medium nib, broad | broad nib, bold, stub | stub nib, italic',
    of: 'pen nib marker fineliner refill füller füllfederhalter stylo liner',
  },
  Frame: {
    values:
      'framed | with frame | gerahmt | encadré | encadrée, unframed | no frame | ungerahmt | sans cadre, mounted | mount only, rolled, stretched',
    of: 'print poster photograph canvas art artwork map painting druck',
    mayLead: true,
  },
  Width: {
    values:
      'extra narrow, narrow | schmal | étroit, standard | regular | normal, wide | weit | breit | large, extra wide',
    of: `
      shoe boot sandal slipper trainer sneaker clog loafer oxford derby brogue wellington insole shoe schuh
      stiefel sandale chaussure
    `,
  },
  Length: {
    values: 'extra short, short | small, regular | standard, long | large, extra long',
    of: 'mat pad sleeping liner matte schlafsack',
  },
  Strength: {
    values:
      'extra light | x light | super light | ultra light, light | leicht | léger, medium | mittel | moyen, heavy | strong | stark | schwer | fort, extra heavy | x heavy | super heavy | extra strong',
    of: 'band loop tube string saite corde reed expander bow net line gripper expander magnet tape',
  },
  Base: {
    values: 'e27 | es, e14 | ses, e12, e26, b22 | bc, b15 | sbc, gu10, gu5.3, mr16, g9, g4',
    of: 'bulb lamp led lampe leuchtmittel birne ampoule globe',
  },
  Plug: { values: 'uk plug | uk stecker, eu plug | eu stecker | schuko, us plug, au plug, ch plug' },
  Binding: {
    values:
      'paperback | softcover | softback | taschenbuch | broché | brossura, hardback | hardcover | gebunden | relié, spiral bound | spiral, ebook | e book | digital edition, audiobook | audio book | hörbuch',
  },
  'Skin type': {
    values:
      'dry skin | dry, oily skin | oily, sensitive skin | sensitive, normal skin | normal, combination skin | combination, mature skin | mature',
    of: 'cream serum lotion cleanser moisturiser balm gel tonic toner mask fluid',
  },
  'Hair type': {
    values:
      'dry hair | dry, oily hair | greasy hair | oily, fine hair | fine, normal hair | normal, coloured hair | curly hair | curly',
    of: 'shampoo conditioner',
  },
  Shape: {
    values:
      'round | rund | rond | ronde | rotondo | redondo, square | quadratisch | carré | quadrato | cuadrado, oval | ovale, rectangular | rectangle | rechteckig | rectangulaire, hexagonal | hexagon, heart | herz, star | stern',
    of: `
      rug mat table tray mirror plate bowl basket coaster placemat cushion tin box tile cutter board tablecloth
      frame bead pendant tank teppich tisch spiegel tapis
    `,
  },
  Water: { values: 'cold, cool, warm, tropical', of: 'wax' },
  Sides: {
    values: `
      single sided | single side | one sided | einseitig, double sided | double side | two sided | doppelseitig
    `,
  },
  Power: { values: 'corded | mains, cordless | battery | akku' },
  Level: { values: 'beginner | beginners | anfänger, intermediate, advanced | fortgeschrittene, expert' },
};

interface Phrase {
  words: readonly string[];
  /** What the choice is called → the key of the value there. */
  values: Map<string, string>;
}

const wordsOf = (text: string): string[] =>
  tokensOf(text)
    .filter(({ kind }) => kind !== 'sign')
    .map((token) => token.text);

const PHRASES = readPhrases();

/** First word → phrases that begin with it, the longest first. */
function readPhrases(): Map<string, Phrase[]> {
  const phrases = new Map<string, Phrase[]>();
  for (const [choice, { values }] of Object.entries(TRADE_CHOICES))
    for (const value of values.split(',')) {
      const spellings = value.split('|').map((one) => wordsOf(one));
      const key = spellings[0]!.join('');
      for (const words of spellings) {
        const list = phrases.get(words[0]!) ?? [];
        const twin = list.find((one) => one.words.join(' ') === words.join(' '));
        if (twin) twin.values.set(choice, key);
        else list.push({ words, values: new Map([[choice, key]]) });
        phrases.set(words[0]!, list);
      }
    }
  for (const list of phrases.values()) list.sort((a, b) => b.words.length - a.words.length);
  return phrases;
}

/** Choices of certain goods alone → the goods, by their stems. */
const GOODS_OF = new Map(
  Object.entries(TRADE_CHOICES).flatMap(([choice, { of }]) =>
    of === undefined ? [] : [[choice, stemsOf(of)] as const],
  ),
);

/** The value that begins at a token of a name: where it ends, and each choice of those goods that it may be of. Null where none does. */
export function tradeChoiceAt(
  tokens: readonly Token[],
  at: number,
): { to: number; choices: ReadonlyMap<string, string> } | null {
  const phrases = PHRASES.get(tokens[at]!.text);
  if (!phrases) return null;
  for (const { words, values } of phrases) {
    const to = phraseEnd(words, tokens, at);
    if (to === null) continue;
    const isOne = (choice: string): boolean => {
      if (at === 0 && !ownOf(TRADE_CHOICES, choice)!.mayLead) return false;
      const goods = GOODS_OF.get(choice);
      return !goods || tokens.some(({ text }, place) => (place < at || place >= to) && goods.has(stemOf(text)));
    };
    if (![...values.keys()].some(isOne)) continue;
    return { to, choices: new Map([...values].filter(([choice]) => isOne(choice))) };
  }
  return null;
}
