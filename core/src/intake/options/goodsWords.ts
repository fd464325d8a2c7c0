/** Words that say what goods are, or make other goods of them: names that differ by such a word are not one family. Common practice. */
import { foldLetters } from '../../text/letters';
import { stemOf } from '../../pictures/match/catalogue';

/** Words parted by blanks, by their stems. */
export const stemsOf = (text: string): Set<string> =>
  new Set(
    text
      .trim()
      .split(/\s+/)
      .map((word) => stemOf(foldLetters(word))),
  );

/** What goods are called. */
const GOODS = stemsOf(`
  jkt trs shrt jmpr swtr mac mackintosh jacket coat parka anorak smock gilet vest waistcoat blazer suit shirt tshirt tee top blouse tunic polo jumper sweater pullover cardigan hoodie
  sweatshirt fleece trousers pants jeans shorts leggings chino skirt dress gown dungarees overall jumpsuit romper onesie bodysuit pyjama pajama
  nightdress robe bathrobe underwear boxer brief bra knickers sock tights stocking shoe boot sandal slipper trainer sneaker clog loafer
  wellington wellie hat cap beanie bonnet balaclava scarf shawl snood glove mitten belt tie braces bag tote rucksack backpack pouch purse wallet
  satchel holdall duffel apron towel blanket throw quilt duvet pillow cushion cover sheet curtain rug mat tablecloth napkin runner mug cup bowl
  plate jug teapot kettle pan pot tray board bottle flask tumbler glass vase candle lamp lantern lampshade frame mirror clock basket box tin
  stool chair table bench shelf hook peg leash lead collar harness bed toy ball ring necklace bracelet earring pendant brooch watch
  case phone charger cable stand holder notebook diary pen pencil card print poster sticker soap balm cream lotion shampoo perfume oil
  diffuser incense paint varnish wax polish brush comb umbrella tent tarp rope line buoy knife spoon fork yarn wool fabric thread button kit set helmet goggles
  suitcase bedding skort henley baselayer softshell babygrow leotard unitard bermudas capris cummerbund bowtie
  bedspread swimsuit bikini trunks wetsuit rashguard poncho cape legwarmer gaiter sling carrier bib swaddle sleepsuit puddlesuit playsuit
  culottes pillowcase bodywarmer jogger sweatpants trench windbreaker kimono cami camisole tank bandeau corset thong slip nightie negligee kaftan sarong
  flipflop espadrille mule pump heel brogue moccasin insole visor headband scrunchie hairband cufflink keyring lanyard jodhpur breeches salopette overshirt
  placemat doormat bolster mattress pouffe ottoman sofa armchair sideboard desk drawer wardrobe nightstand planter bin hanger lunchbox thermos cooler hammock headlamp
  torch pole paddle kayak saddle bridle halter crate feeder scratcher puzzle doll kite racket dumbbell kettlebell keyboard headphone earphone speaker adapter
  jacke mantel hemd bluse hose jeans rock kleid pullover strickjacke mütze hut schal handschuh socke strumpf schuh stiefel tasche rucksack
  decke kissen handtuch tasse becher teller schale schüssel weste anzug shirt leine halsband gürtel schuhe socken handschuhe sandalen
  sandale jacken hosen hemden mützen stiefelette sakko strumpfhose unterhemd schlafanzug bademantel badeanzug regenjacke bettwäsche vorhang teppich
  veste manteau chemise pantalon jupe robe pull bonnet chapeau écharpe gant chaussette chaussure botte sac couverture coussin serviette tasse
  chaqueta abrigo camisa pantalón falda vestido jersey gorro sombrero bufanda guante calcetín zapato bota bolso manta taza
  giacca cappotto camicia pantaloni gonna vestito maglione cappello sciarpa guanto calza scarpa stivale borsa coperta tazza
  abito maglia maglietta guanti calze scarpe stivali cintura ceinture pyjama marinière cinturón calcetines camiseta sudadera riem rok laarzen
  jas broek jurk trui muts sjaal handschoen sok schoen laars tas deken mok
`);

/** What stands beside goods under their name without being of them. */
const BESIDE_GOODS = stemsOf(`
  kit care gift giftbox gifts box refill spare spares replacement repair accessory accessories sample swatch voucher giftcard card hanger
  bundle starter cleaner cleaning wash spray proofer cover carrier case strap buckle lining liner insert lace laces button buttons patch patches pattern
  sleeve stand mount lid coaster manual booklet catalogue display
  pflegeset geschenkbox ersatz ersatzteil zubehör muster gutschein recharge coffret cadeau entretien regalo recambio cura ricambio
`);

/** Whom goods are for. */
const WEARERS = stemsOf(`
  men mens man women womens woman ladies lady kid kids child children childrens boy boys girl girls baby babies toddler junior youth teen adult unisex infant
  herren damen kinder jungen mädchen homme femme enfant fille garçon hombre mujer niño niña uomo donna bambino heren dames
`);

/** Make other goods of the same name: of another make, for another purpose. */
const OTHER_GOODS = stemsOf(`
  dog dogs cat cats pet pro lite light plus max mini midi maxi deluxe premium basic classic original new old ii iii iv mk2 mk3 v2 v3 gen
  long short tall petite slim regular relaxed wide sleeveless hooded lined unlined longsleeve shortsleeve cropped oversized heavy lightweight
  organic ankle crew knee vneck crewneck turtleneck rollneck
  heritage essential luxe luxury signature everyday active sport performance studio eco comfort stretch thermal waterproof insulated padded ultra
  xl summer winter spring autumn indoor outdoor travel home
`);

/** Have legs: "32L" is no volume of theirs. */
const LEGGED = stemsOf(
  'trousers trs pants jeans chino cords leggings joggers suit tracksuit hose pantalon pantalón pantaloni broek spodnie byxor',
);
/** Come in the sizes of beds. */
const BEDDING = stemsOf(
  'sheet sheets duvet quilt bed bedding bedspread mattress topper protector valance headboard blanket throw comforter coverlet pillowcase',
);
/** Have sizes that may be any small number. */
const NUMBER_SIZED = stemsOf(
  'glove mitten handschuh gant guante guanto dress skirt trousers pants jeans chinos culottes blouse leggings jumpsuit swimsuit kleid rock hose robe jupe pantalon vestido falda vestito gonna jurk broek shoe boot sandal slipper trainer sneaker clog loafer wellington wellie pump brogue moccasin espadrille mule derby schuh stiefel sandale botte chaussure zapato bota scarpa stivale schoen laars sko kenka',
);
/** Have cups. */
const BRAS = stemsOf('bra bras bralette bustier bikini bh soutien reggiseno sujetador beha brassière');
/** Are chosen by their scent. */
const SCENTED = stemsOf(
  'candle diffuser soap perfume incense potpourri shampoo lotion balm freshener deodorant kerze seife duftkerze bougie savon parfum vela jabón candela sapone kaars zeep spray mist',
);
/** Are chosen by their taste. */
const FLAVOURED = stemsOf(
  'coffee tea chocolate cocoa syrup jam marmalade biscuit cookie crisps popcorn gum sweets candy protein granola muesli liqueur kombucha lemonade kaffee schokolade café chocolat caffè cioccolato koffie treats',
);
/** Are chosen by the metal they are of. */
const JEWELLERY = stemsOf(
  'ring necklace bracelet bangle earring anklet pendant brooch cufflinks jewellery jewelry stud hoops kette armband ohrring collier bague anillo anello collana',
);

/** German and Dutch put what goods are behind what they are for in one word: "Sommerkleid". */
const COMPOUND =
  /.{3}(?:jacken?|mantel|hemd|blusen?|kleid|kleider|hosen?|mutzen?|handschuhe?|socken?|strumpfe?|schuhe?|stiefel|taschen?|decken?|kissen|becher|westen?|anzug|sandalen?|bezug|teppich|vorhang|kerzen?|broek|schoen|schoenen|deken)$/;

const stemmed = (word: string) => stemOf(word);
export const isGoods = (word: string): boolean => GOODS.has(stemmed(word)) || COMPOUND.test(word);
export const isBesideGoods = (word: string): boolean => BESIDE_GOODS.has(stemmed(word));
export const isForWearer = (word: string): boolean => WEARERS.has(stemmed(word));
export const isOtherGoods = (word: string): boolean => isForWearer(word) || OTHER_GOODS.has(stemmed(word));
export const hasLegs = (word: string): boolean => LEGGED.has(stemmed(word));
export const hasNumberSizes = (word: string): boolean => NUMBER_SIZED.has(stemmed(word));
export const isBra = (word: string): boolean => BRAS.has(stemmed(word));
export const isScented = (word: string): boolean => SCENTED.has(stemmed(word));
export const isFlavoured = (word: string): boolean => FLAVOURED.has(stemmed(word));
export const isJewellery = (word: string): boolean => JEWELLERY.has(stemmed(word));
export const isBedding = (word: string): boolean => BEDDING.has(stemmed(word));
/** Whether a word changes what the goods are, whatever list it stands in. */
export const changesGoods = (word: string): boolean => isGoods(word) || isBesideGoods(word) || isOtherGoods(word);

/** Whether a word of a name says so and none after it names other goods: "coffee beans", and no "coffee mug". */
export const areGoods = (words: readonly string[], test: (word: string) => boolean): boolean =>
  words.some((word, at) => test(word) && !words.slice(at + 1).some(isGoods));
/** Whether goods so called are chosen by their scent or their taste. */
export const isTasted = (word: string): boolean => isScented(word) || isFlavoured(word);
/** Whether goods of these words are. */
export const areTasted = (words: readonly string[]): boolean => areGoods(words, isTasted);
