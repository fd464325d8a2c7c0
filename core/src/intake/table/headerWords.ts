/** What headers mean, in the languages supplier lists come in; common practice. */
import { BUILT_IN_FIELDS } from '../../registry/builtIn';
import type { Role } from '../../family/shape';
import { foldLetters } from '../../text/letters';
import type { Registry } from '../../registry/openRegistry';
import { ROLE_LABELS } from '../../registry/roles';
import { headerOf } from '../../registry/field';
import type { OptionReader } from '../options/readOptions';
import type { Meaning } from './shape';

/** Key of a field → headers. */
const FIELD_HEADERS: Record<string, string> = {
  name: `name, artikel, product name, product, title, item, item name, item title, article, article name, product title, family, family name, bezeichnung, artikelbezeichnung, artikelname, produktname, produkt, produktbezeichnung, titel,
    désignation, nom, nom du produit, produit, libellé, intitulé, nombre, nombre del producto, producto, artículo, denominación, nome, nome prodotto, prodotto, articolo, denominazione, naam, productnaam, omschrijving, artikelomschrijving, nazwa, nome do produto, benämning, navn, varenavn, varebetegnelse, nimi, tuote, tuotenimi, název, název produktu, style name, style description, style desc, goods, model name, artikeltext, kurzbezeichnung`,
  brand: 'brand, brand name, label, marke, hersteller marke, marque, marca, merk, märke, marka, trade mark, house',
  maker: 'maker, manufacturer, hersteller, fabricant, fabricante, produttore, fabrikant, producer',
  styleCode: `style code, style, style no, style number, style id, style ref, model code, model no, model number, modellnummer, modell-nr, modellcode, modell nr, référence modèle, code modèle, código modelo, codice modello, modelcode, family code,
    product code, base sku, root sku, group id, product id, product no, product group id, handle, modellnr, modell nr, modelnummer, réf modèle, stylenumber, styleno, article family, model, modell, modèle, modelo, modello`,
  category:
    'category, product category, department, kategorie, warengruppe, produktgruppe, catégorie, rayon, categoría, categoria, reparto, categorie, kategoria, section, product type, subcategory, sub category, division, famille',
  sku: `sku, plu, sku code, variant sku, child sku, seller sku, article no, article number, article code, item no, item number, item code, art no, art nr, artikelnummer, artikelnr, artikel-nr, artnr, art.nr, artno, art.no, artnummer, art.-nr., artikel nr, bestellnummer, référence, réf, ref, référence article,
    code article, referencia, código, codigo, referencia artículo, codice, codice articolo, riferimento, artikelcode, indeks, stock code, our code, part no, part number, order code, variant code, supplier ref, reference, code,
    bestell nr, bestellnr, lieferantenartikelnummer, cod articolo, material number, materialnummer, item id, articlenr, cód artículo, código producto, numer artykułu, kod produktu, varenr, varunummer`,
  gtin: 'gtin, ean, ean code, ean13, ean-13, ean 13, barcode, bar code, upc, upc-a, upc code, isbn, gencod, code-barres, code barres, código de barras, codigo de barras, codice a barre, streepjescode, strichcode, kod kreskowy, gtin-13, gtin/ean, ean/upc, ean/gtin, code ean, codice ean, cod barras, gencode, strekkode',
  price: `price, retail, retail price, sale price incl tax, selling price, unit price, price incl. vat, price inc vat, gross price, shop price, our price, vk, vk-preis, verkaufspreis, preis, bruttopreis, preis brutto, endpreis, prix, prix ttc, prix de vente, precio, pvp, precio de venta,
    prezzo, prezzo al pubblico, prezzo di vendita, prijs, verkoopprijs, pris, hinta, salgspris, utpris, cena, preço, now, now price, current price, sale price, new price, offer price, special price, jetzt, aktionspreis, angebotspreis, neuer preis, prix promo, precio oferta, prezzo scontato, price eur, price gbp, price usd, price (eur), price (gbp), price (usd), price €, price £, amount`,
  listPrice:
    'list price, rrp, srp, msrp, recommended price, recommended retail price, uvp, uvp brutto, prix conseillé, ppc, prix public, precio recomendado, pvpr, prezzo consigliato, adviesprijs, pvc, pvc ttc, pvp recomendado, prezzo listino, prezzo di listino, listino, vvp, recommended retail, full price, compare price, was price, was, catalogue price, old price, original price, regular price, price before, statt, statt preis, alter preis, normalpreis, streichpreis, prix barré, ancien prix, precio anterior, prezzo pieno, oude prijs',
  cost: `cost, cost price, wholesale, wholesale price, trade price, net price, purchase price, buying price, ek, ek-preis, einkaufspreis, nettopreis, ek netto, preis netto, händlerpreis, prix d'achat, prix net, prix ht, pa ht, prix de gros, coste, precio de coste, precio neto,
    costo, prezzo di acquisto, prezzo netto, inkoopprijs, inkoop, whs, dealer price, unit cost, trade, trade excl vat, whsl, wsp, net, hek, prix achat, prix achat ht, precio coste, prezzo ingrosso, fob, fob price`,
  stock: `stock, stk, qty, quantity, pieces, pcs, units, on hand, in stock, available, availability, inventory, stock level, stock qty, antal, antall, määrä, varasto, sklad, bestand, lagerbestand, menge, stück, anzahl, verfügbar, quantité, qté, disponible, existencias, cantidad, unidades, giacenza, quantità, pezzi, disponibilità, voorraad, aantal, stan, lager, lagermenge, lagersaldo, q ta, qta, qoh, soh, ats`,
  weight:
    'weight, gross weight, net weight, gewicht, poids, peso, massa, weight g, weight kg, waga, vikt, item weight, nettogewicht, bruttogewicht',
  description:
    'description, long description, product description, beschreibung, langbeschreibung, produktbeschreibung, text, langtext, description longue, descriptif, descripción, descrizione, beschrijving, opis, beskrivning, details',
  shortText:
    'short text, short description, kurztext, kurzbeschreibung, description courte, descripción corta, summary',
  madeIn:
    'made in, country of origin, origin, country, herkunftsland, ursprungsland, herkunft, pays d’origine, origine, pays, país de origen, país, paese di origine, land van herkomst, coo',
  composition:
    'composition, materials, fibre content, fabric content, zusammensetzung, materialzusammensetzung, composición, composizione, samenstelling, fabric composition, fabrication, fiber content, material zusammensetzung, material composition',
  care: 'care, care instructions, washing, pflege, pflegehinweise, entretien, cuidados, lavado, cura, wasvoorschrift',
  wearer:
    'for whom, gender, geschlecht, zielgruppe, genre, género, genere, geslacht, sex, sexe, target group, age group',
  taxCode:
    'tax code, customs code, hs code, commodity code, tariff, tariff code, zolltarifnummer, code douanier, código arancelario, codice doganale, code douane, zolltarifnr, intrastat code, hsn, hts',
  mpn: 'mpn, maker part no, manufacturer part number, herstellernummer, hersteller-nr, référence fabricant',
  packageLength: 'pack length, package length, box length, packlänge',
  packageWidth: 'pack width, package width, box width, breite',
  packageHeight: 'pack height, package height, box height, höhe',
  highlights: 'highlights, bullet points, bullets, key points, merkmale',
  searchWords:
    'search words, keywords, tags for search, suchbegriffe, mots-clés, palabras clave, parole chiave, zoekwoorden',
  collections:
    'collection, collections, season, saison, kollektion, saisonname, colección, collezione, collectie, temporada, stagione, seizoen',
  tags: 'tags, labels, schlagworte, schlagwörter, étiquettes, etiquetas',
  modelNumber: 'model number of maker',
};

/** Role → headers of its axis. */
const ROLE_HEADERS: Record<Role, string> = {
  colour:
    'colour, color, col, clr, colr, couleurs, colores, colori, kleuren, colours, colors, shade, farve, farge, väri, barva, cor, farbe, farben, farbname, farbvariante, farbton, farbbezeichnung, couleur, coloris, color nombre, colore, kleur, färg, kolor, cor, colourway, colorway, colourways, colorways, colour name, color name, colour description, color description, colour desc, color desc, tint, hue, wash, waschung, lavage, kleuromschrijving, descrizione colore, färgnamn, swatch',
  size: `size, sizes, sz, størrelse, koko, velikost, größe, größen, tailles, tallas, taglie, maten, gr, groesse, grösse, gr, konfektionsgröße, schuhgröße, taille, pointure, talla, tamaño, taglia, misura, numero, maat, storlek, rozmiar, tamanho, age, age size, clothing size, shoe size, waist, bundweite, weite, size name,
    dimensions, maße, masse, abmessungen, format, dimensioni, dimensiones, afmetingen, weight size, cup, ring size, age range, alter, tg, t`,
  length:
    'length, lengths, inseam, leg, leg length, inside leg, back length, länge, schrittlänge, beinlänge, longueur, largo, lunghezza, lengte, sleeve length, leg size, rückenlänge, strap length',
  material:
    'material, fabric, lining, materialausführung, stoff, futter, matière, doublure, materiale, tessuto, tela, tejido, forro, fodera, stof, voering, metal, wood, finish material, leather, shell, filling, füllung',
  pattern:
    'pattern, patterns, print, prints, design, designs, motif, muster, dessin, motiv, motivo, estampado, fantasia, stampa, patroon, theme, artwork',
  pack: 'pack, units per pack, pieces in pack, stück pro pack, pack size, pieces per pack, pack of, packung, packungsgröße, stück pro packung, lot, conditionnement, paquete, confezione, verpakking, set size, bundle size, quantity per pack, count, multipack',
  volume:
    'volume, capacity, inhalt, fassungsvermögen, füllmenge, contenance, capacité, capacidad, volumen, capacità, contenuto, inhoud, contents',
  model:
    'fits, fits model, device, compatible with, for model, passend für, gerät, compatible avec, pour modèle, para modelo, per modello, voor model, vehicle, phone model',
  other:
    'finish, finishes, scent, scents, fragrance, fragrances, flavour, flavor, flavours, flavors, taste, option, variant option, duft, geschmack, parfum, goût, sabor, aroma, profumo, gusto, geur, smaak, ausführung, fit, width, widths, düfte, parfums, weite, cut, hand, side, edition, wick, grade, strength, type of lid, shape, form',
};

const OTHER_HEADERS: readonly (readonly [Meaning, string])[] = [
  [
    { is: 'options' },
    'options, option, variant, variants, variation, variations, attributes, attribute, variante, varianten, merkmale variante, ausprägung, déclinaison, déclinaisons, variantes, atributos, attributi, opties, variant name, variation name, specification, variant title, selection',
  ],
  [
    { is: 'parent' },
    'parent, parent sku, parent code, parent id, parent ref, parent item, parent no, belongs to, of family, master, master sku, master code, main item, hauptartikel, vaterartikel, elternartikel, parent article, article parent, référence parent, sku parent, padre, artículo padre, articolo padre, hoofdartikel, variant of, child of, hauptartikelnr, hauptartikelnummer, übergeordneter artikel',
  ],
  [
    { is: 'kind' },
    'row type, record type, kind, line type, level, item type, parent/child, relation, zeilentyp, artikeltyp, type de ligne, row, is parent, is master, is main, is variant, role, type',
  ],
  [
    { is: 'picture' },
    'picture, pictures, image, images, photo, photos, image url, image link, main image, picture address, bild, bilder, bild-url, foto, fotos, photo url, imagen, imágenes, immagine, immagini, afbeelding, afbeeldingen, zdjęcie, image address, pictures addresses, bildlink, hauptbild, additional image, packshot',
  ],
  [{ is: 'children' }, 'children, child skus, children skus, child items, variant skus, varianten-skus'],
  [{ is: 'deed' }, 'action, deed, do, delete, aktion, löschen, supprimer'],
  [{ is: 'group' }, 'family key, family id'],
  [
    { is: 'line' },
    'line, product line, range, product range, series, product series, serie, linie, produktlinie, produktserie, gamme, ligne, linea, línea, gama, lijn, reeks',
  ],
];

/** "unitPrice" is of two words. */
const HUMP = /(\p{Ll})(\p{Lu})/gu;

/** How headers are compared: letters and digits alone, words apart. */
export const foldHeader = (header: string): string =>
  foldLetters(header.replace(HUMP, '$1 $2'))
    .replace(/#/g, ' no ')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

export interface HeaderMeaning {
  meaning: Meaning;
  /** 1 for a header that is known as a whole, less where only a part of it is. */
  certainty: number;
}

/** What a list is read with: what headers mean, and what is an option. */
export interface ListWords {
  meaningOf: (header: string) => HeaderMeaning | null;
  options: OptionReader;
}

/** Says what a header means; null where it says nothing that is known. */
export function openHeaders(registry: Registry): (header: string) => HeaderMeaning | null {
  const known = new Map<string, Meaning>();
  const add = (headers: string, meaning: Meaning) => {
    for (const header of headers.split(',')) {
      const folded = foldHeader(header);
      if (folded !== '' && !known.has(folded)) known.set(folded, meaning);
    }
  };
  for (const field of registry.fields) {
    if (field.type === 'pictures' || field.type === 'surcharge' || field.onlyScoped) continue;
    for (const header of [field.label, headerOf(field)]) known.set(foldHeader(header), { is: 'field', key: field.key });
  }
  // What is chosen among terms and size charts is no option of the goods where the seller has none of these yet.
  for (const field of BUILT_IN_FIELDS) if (field.chosenOf) add(field.label, { is: 'ignored' });
  for (const [key, headers] of Object.entries(FIELD_HEADERS))
    if (registry.field(key)) add(headers, { is: 'field', key });
  for (const [role, headers] of Object.entries(ROLE_HEADERS) as [Role, string][])
    for (const header of [ROLE_LABELS[role], ...headers.split(',')])
      add(header, { is: 'option', role, label: ROLE_LABELS[role] });
  for (const [meaning, headers] of OTHER_HEADERS) add(headers, meaning);
  const longest = Math.max(...[...known.keys()].map((header) => header.split(' ').length));
  const remembered = new Map<string, HeaderMeaning | null>();
  return (header) => {
    let found = remembered.get(header);
    if (found === undefined) remembered.set(header, (found = meaningOf(known, longest, header)));
    return found;
  };
}

/** Say whose a figure is, and not which: "Variant price", "Item size". */
const WHOSE = new Set(
  'variant variante item product produkt produit producto prodotto article artikel articulo articolo style child goods model'.split(
    ' ',
  ),
);

const OPTION_MARK = /^option:\s+(.+)$/i;
const VALUE = /^(?:value|values|wert|valeur|valor|valore|waarde)\s*(\d)$/;
/** What columns of options are called that name no kind of option. */
const GENERIC =
  'option|attribute|variant|variants|options|variante|variation|merkmal|attribut|attributo|eigenschaft|axis|property|opcion|opzione|optie|choice|auspragung|ausfuhrung';
const NUMBERED = new RegExp(
  `^(?:${GENERIC})\\s*(\\d|[a-d])?\\s*(name|label|title|key|type|value|values|wert|valeur|valor|valore)?\\s*(\\d|[a-d])?$`,
);

/** "Option 2" and "Option B" are the second. */
const numberOf = (text: string): number => (/\d/.test(text) ? Number(text) : text.charCodeAt(0) - 96);

/** Whether a header says that its column has options, and not of which kind. */
export const isGenericOption = (header: string): boolean => NUMBERED.test(foldHeader(header));

/** @param longest words of the longest known header: no part of a text that has more of them is one. */
function meaningOf(known: ReadonlyMap<string, Meaning>, longest: number, header: string): HeaderMeaning | null {
  const marked = OPTION_MARK.exec(header.trim());
  if (marked) {
    const meant = known.get(foldHeader(marked[1]!));
    const role = meant?.is === 'option' ? meant.role : 'other';
    return { meaning: { is: 'option', role, label: marked[1]!.trim() }, certainty: 1 };
  }
  const folded = foldHeader(header);
  const valued = VALUE.exec(folded);
  if (valued) return { meaning: { is: 'optionValue', number: Number(valued[1]) }, certainty: 1 };
  const numbered = NUMBERED.exec(folded);
  const number = numberOf(numbered?.[1] ?? numbered?.[3] ?? '0');
  if (numbered && number > 0) {
    const isName = /name|label|title|key|type/.test(numbered[2] ?? '') || folded.startsWith('axis');
    return { meaning: { is: isName ? 'optionName' : 'optionValue', number }, certainty: 1 };
  }
  const whole = known.get(folded);
  if (whole) return { meaning: named(whole, header), certainty: 1 };
  const several = severalIn(known, header);
  if (several) return { meaning: named(several, header), certainty: 1 };
  // "Price EUR", "Weight in kg", "Colour (English)": what it is and a word about it.
  const words = folded.split(' ');
  const own = words.length > 1 && WHOSE.has(words[0]!) ? known.get(words.slice(1).join(' ')) : undefined;
  if (own) return { meaning: named(own, header), certainty: 0.8 };
  for (let length = Math.min(words.length - 1, longest); length > 0; length--)
    for (const part of [words.slice(0, length), words.slice(-length)]) {
      const meant = known.get(part.join(' '));
      if (meant) return { meaning: named(meant, header), certainty: length / words.length > 0.5 ? 0.8 : 0.6 };
    }
  return null;
}

/**
 * "Colour / Size": options of several kinds in one cell. Widths and lengths are one size, colours with patterns one colour. Null where the
 * header does not name several.
 */
function severalIn(known: ReadonlyMap<string, Meaning>, header: string): Meaning | null {
  const parts = header.split(/[/&+,|]|\s(?:and|und|et|y|e|en)\s/i).map((part) => known.get(foldHeader(part)));
  const options = parts.filter((meaning) => meaning?.is === 'option');
  // "Style/Colour": the number of one colour of a style.
  const isCode = parts.some((meaning) => meaning?.is === 'field' && meaning.key === 'styleCode');
  if (isCode && options.length > 0 && options.length === parts.length - 1) return { is: 'field', key: 'styleCode' };
  const roles = new Set(options.map(({ role }) => role));
  if (parts.length < 2 || options.length < parts.length || roles.size < options.length) return null;
  if ([...roles].every((role) => role === 'size' || role === 'length')) return null;
  return [...roles].every((role) => role === 'colour' || role === 'pattern')
    ? options.find(({ role }) => role === 'colour')!
    : { is: 'options' };
}

/** An axis is called as its column is. */
function named(meaning: Meaning, header: string): Meaning {
  if (meaning.is !== 'option') return meaning;
  const text = header
    .trim()
    .replace(HUMP, '$1 $2')
    .replace(/[\s_]+/g, ' ')
    .replace(/\s(?:name|description|desc\.?)$/i, '')
    .slice(0, 40);
  // Programs write headers in capitals or small letters alone.
  const isWritten = /_|\p{Ll}\p{Lu}/u.test(header.trim());
  const label = isWritten ? text.charAt(0).toUpperCase() + text.slice(1).toLowerCase() : text;
  // "Clr", "Sz": what is shortened so far is no word to call an axis by.
  return label === '' || /^[bcdfghj-np-tvwxz. ]+$/i.test(label) ? meaning : { ...meaning, label };
}
