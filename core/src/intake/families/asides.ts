/** What a name says beside its goods: whose they are, where a column has that, and what a shop cries out about them. */
import { tokensOf, type Token } from '../options/tokens';
import { remembered } from './remembered';
import type { Item } from './shape';

/** What shops cry out, in the languages lists come in; common practice. */
const CRIES = `
new|new in|just in|sale|on sale|sold out|best ?seller|limited|limited edition|offer|special offer|promo|
promotion|reduced|clearance|last chance|last one|last few|back in stock|exclusive|online only|web only|
pre-?order|coming soon|discontinued|end of line|to clear|neu|neuheit|aktion|angebot|ausverkauf|reduziert|
limitiert|auslauf|auslaufartikel|nouveau|nouveauté|soldes|édition limitée|épuisé|nuevo|novedad|rebajas|oferta|
agotado|nuovo|novità|saldi|offerta|esaurito|nieuw|uitverkoop|aanbieding|op=op`
  .replaceAll('\n', '')
  .toUpperCase();

/** "-20%", "20 % off"; chocolate of 70 % is another than that of 85. */
const REDUCED = '-\\d{1,2} ?%|\\d{1,2} ?% OFF|\\d+ IN STOCK|ONLY \\d+ LEFT';

/** Names are no longer. */
const LONGEST = 200;

/** Most names cry nothing out: what all of these have that do. */
const MAY_CRY = new RegExp(`(?<![\\p{L}\\p{N}])(?:${CRIES})(?![\\p{L}\\p{N}])|\\d ?(?:%|in stock|left)`, 'iu');
const SIGN = '[-–—|!*:,()\\[\\]]';
/** At an end of the name, with signs that set it apart or all in capitals. */
const PARTED = [
  new RegExp(`^[\\s(\\[*]*(?:${CRIES}|${REDUCED})\\s*${SIGN}[\\s!*)\\]–-]*`, 'iu'),
  new RegExp(`\\s*${SIGN}[\\s!*–-]*(?:${CRIES}|${REDUCED})[\\s!*)\\]]*$`, 'iu'),
];
const IN_CAPITALS = [new RegExp(`^(?:${CRIES})\\s+`, 'u'), new RegExp(`\\s+(?:${CRIES})$`, 'u')];

/** Marks what tells no goods apart, for the comparing of names alone: what goods are called they are called with it. */
export function markAsides(items: readonly Item[]): void {
  const cries = remembered((name: string) => (name.length <= LONGEST && MAY_CRY.test(name) ? criesIn(name) : NONE));
  const leads = leadingBrands(items);
  for (const item of items) {
    const aside = [...cries(item.name).map((place) => tokensIn(item.tokens, place)), ...leads(item)];
    if (aside.length > 0) item.aside = aside;
  }
}
const NONE: Place[] = [];

/** From the first sign up to the one after the last; of tokens, too. */
interface Place {
  from: number;
  to: number;
}

function criesIn(name: string): Place[] {
  const isLoud = name === name.toUpperCase();
  return [...PARTED, ...(isLoud ? [] : IN_CAPITALS)].flatMap((pattern) => {
    const found = pattern.exec(name);
    // What is nothing else is what the goods are called.
    if (!found || found[0].length === name.length) return [];
    return [{ from: found.index, to: found.index + found[0].length }];
  });
}

function tokensIn(tokens: readonly Token[], { from, to }: Place): Place {
  const first = tokens.findIndex((token) => token.from >= from);
  const after = tokens.findIndex((token) => token.from >= to);
  return { from: first, to: after < 0 ? tokens.length : after };
}

/** The brand before a name, where only some names of that brand have it: "Northfold Sweater" and "Sweater", both by Northfold. */
function leadingBrands(items: readonly Item[]): (item: Item) => Place[] {
  const wordsOf = remembered((brand: string) => tokensOf(brand).map(({ text }) => text));
  const leads = (item: Item): number => {
    const words = item.brand === '' ? [] : wordsOf(item.brand);
    const isFirst = words.length > 0 && words.every((word, at) => item.tokens[at]?.text === word);
    return isFirst && item.tokens.length > words.length ? words.length : 0;
  };
  const counts = new Map<string, { with: number; of: number }>();
  for (const item of items) {
    if (item.brandKey === '') continue;
    const count = counts.get(item.brandKey) ?? { with: 0, of: 0 };
    count.of += 1;
    if (leads(item) > 0) count.with += 1;
    counts.set(item.brandKey, count);
  }
  const isOfSome = (key: string) => {
    const count = counts.get(key);
    return count !== undefined && count.with > 0 && count.with < count.of;
  };
  return (item) => (isOfSome(item.brandKey) && leads(item) > 0 ? [{ from: 0, to: leads(item) }] : []);
}
