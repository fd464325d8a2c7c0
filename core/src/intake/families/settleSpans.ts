/** What looked like an option in a name and is a word of it, seen from all rows of the same stem. */
import type { Role } from '../../family/shape';
import { asOneColour } from '../options/asOneColour';
import { hasLegs, isGoods, isJewellery } from '../options/goodsWords';
import { isMetal } from '../options/materialWords';
import type { OptionRead } from '../options/shape';
import { stemWords } from './nameStems';
import { takeShades } from './colourNumbers';
import { parseCompounds } from './compounds';
import { takeCrossesForSizes, takeLettersForSizes, takeMediumForSize, takeTallForSizes } from './letterSizes';
import { settleTwice } from './oneOfRole';
import type { Item } from './shape';
import { settleChoices } from './settleChoices';
import { putBackConstantSizes, putBackNumbers, putBackWordSizes, type SizeNumbers } from './weakSizes';

/** Puts back into the names what is no option there. Gives whether anything was. */
export function settleSpans(items: readonly Item[], sizeNumbers: SizeNumbers): boolean {
  if (items.every(areSure)) return false;
  const before = items.reduce((sum, item) => sum + taken(item), 0);
  putBackConstantSizes(items);
  settleChoices(items);
  settleRoles(items);
  takeMediumForSize(items);
  takeLettersForSizes(items);
  takeCrossesForSizes(items);
  takeTallForSizes(items);
  takeShades(items);
  putBackNumbers(items, sizeNumbers);
  putBackWordSizes(items);
  parseCompounds(items);
  putBackThings(items);
  takePatternsForColours(items);
  takeMetalsForColours(items);
  takeMaterialsForColours(items);
  settleTwice(items);
  putBackWhatGoodsAre(items);
  return items.reduce((sum, item) => sum + taken(item), 0) !== before;
}
/**
 * Whether all options of a name are single words that can be nothing else, one of each kind: there is nothing to
 * settle.
 */
const areSure = ({ spans }: Item): boolean =>
  spans.every(({ roles, isWeak, from, to }, at) => {
    const [role] = roles;
    if (isWeak || roles.length > 1 || to - from > 1 || role === 'material' || role === 'pattern') return false;
    return spans.findIndex((span) => firstRole(span) === role) === at;
  });

const taken = ({ spans }: Item) => spans.reduce((sum, one) => sum + one.to - one.from, 0);

/**
 * "Linen" beside a colour is a material, beside other materials too, and before the goods where nothing is a colour;
 * else it is what the word is first.
 */
function settleRoles(items: readonly Item[]): void {
  if (items.every(({ spans }) => spans.every(({ roles }) => roles.length === 1))) return;
  const certain = new Map<Role, number>();
  for (const { spans } of items)
    for (const { roles } of spans) if (roles.length === 1) certain.set(roles[0]!, (certain.get(roles[0]!) ?? 0) + 1);
  const roleIn = (item: Item): ((span: OptionRead) => Role) => {
    const taken = new Set(item.spans.flatMap(({ roles }) => (roles.length === 1 ? roles : [])));
    return (span) => {
      const free = span.roles.filter((role) => !taken.has(role));
      // Where there is one of each already, the material may be what the goods are called by.
      const times = (role: Role) => certain.get(role) ?? 0;
      const [first = span.roles.at(-1)!] = free.toSorted((a, b) => times(b) - times(a));
      const isLeg = first === 'volume' && stemWords(item).some(({ text }) => hasLegs(text));
      const isMaterial = times(first) === 0 && free.includes('material') && leads(item, span) && !isPaint(item, span);
      const role = isLeg ? 'size' : isMaterial ? 'material' : first;
      taken.add(role);
      return role;
    };
  };
  // The same word in the same place is the same in every row: "Linen jacket, camo" is of linen, since "Linen jacket, navy" is.
  const placed = (item: Item, span: OptionRead) => `${span.key} ${leads(item, span)}`;
  const found = items.map((item) => {
    const role = roleIn(item);
    return item.spans.map((span) => (span.roles.length === 1 ? null : { word: placed(item, span), role: role(span) }));
  });
  const usual = new Map<string, Map<Role, number>>();
  for (const one of found.flat()) {
    if (!one) continue;
    const counts = usual.get(one.word) ?? new Map<Role, number>();
    usual.set(one.word, counts.set(one.role, (counts.get(one.role) ?? 0) + 1));
  }
  const mostly = (word: string) => [...usual.get(word)!].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
  items.forEach((item, at) => {
    if (found[at]!.every((one) => one === null)) return;
    item.spans = item.spans.map((span, place) => {
      const one = found[at]![place];
      return one ? { ...span, roles: [mostly(one.word)] } : span;
    });
  });
}

/** "Gold sandals" are of that colour; rings are of gold. */
const isPaint = (item: Item, { key }: OptionRead): boolean =>
  isMetal(key) && !stemWords(item).some(({ text }) => isJewellery(text));

/** Whether an option stands before the last word of the name. */
const leads = (item: Item, { from }: OptionRead): boolean => from < (stemWords(item).at(-1)?.at ?? 0);

/**
 * A colour that names a thing and is the same in all rows is a word of the name where it stands before the goods
 * ("Storm jacket"), where nothing else says what the goods are ("Ground coffee"), and where the rows have other
 * colours besides.
 */
function putBackThings(items: readonly Item[]): void {
  const isColour = ({ roles }: OptionRead) => roles[0] === 'colour' || roles[0] === 'pattern';
  const isThing = (span: OptionRead) =>
    firstRole(span) === 'colour' || (firstRole(span) === 'material' && isMetal(span.key));
  const mayBeName = (span: OptionRead) => firstRole(span) === 'pattern' || (span.isWeak && isThing(span));
  for (const span of items[0]!.spans.filter(mayBeName)) {
    const found = items.map((item) => item.spans.find((one) => mayBeName(one) && one.key === span.key));
    if (found.includes(undefined)) continue;
    const isLeading = items.every((item, at) => leads(item, found[at]!));
    const hasMore = (role?: Role) =>
      items.some((item, at) =>
        item.spans.some((one) => one !== found[at] && isColour(one) && (!role || firstRole(one) === role)),
      );
    const isName =
      firstRole(span) === 'pattern'
        ? isLeading && hasMore('pattern')
        : isLeading || hasMore() || !items.some((item) => stemWords(item).some(({ text }) => isGoods(text)));
    if (isName) items.forEach((item, at) => (item.spans = item.spans.filter((one) => one !== found[at])));
  }
}
const firstRole = ({ roles }: OptionRead): Role => roles[0]!;

/**
 * "Navy", "Rust" and "Camo": where goods come in colours, a pattern that stands in the place of one is one of them,
 * and so is "Navy stripe". Where every name has both, colours and patterns are two options.
 */
function takePatternsForColours(items: readonly Item[]): void {
  const has = (item: Item, role: Role) => item.spans.some(({ roles }) => roles[0] === role);
  if (!items.some((item) => has(item, 'pattern'))) return;
  if (areOneToOne(items)) {
    for (const item of items) item.spans = asOneColour(item.spans, ['colour', 'pattern']);
    return;
  }
  const isMixed =
    items.some((item) => has(item, 'colour')) && !items.every((item) => has(item, 'colour') && has(item, 'pattern'));
  // "Herringbone otter rug": a thing beside a pattern is likelier what the goods are called by.
  const isThing = ({ isWeak, roles }: OptionRead) => isWeak && roles[0] === 'colour';
  if (!isMixed || items.some((item) => has(item, 'pattern') && item.spans.some(isThing))) return;
  for (const item of items)
    item.spans = asOneColour(item.spans, ['colour', 'pattern']).map((span) =>
      span.roles[0] === 'pattern' ? { ...span, roles: ['colour'] } : span,
    );
}

/** "Rose gold" beside "Navy": where each row has one or the other, what may be a colour is one. */
function takeMetalsForColours(items: readonly Item[]): void {
  const metalIn = ({ spans, read }: Item) =>
    spans.find(
      (span) =>
        firstRole(span) === 'material' &&
        read.some((one) => one.from === span.from && one.to === span.to && one.roles.includes('colour')),
    );
  const has = ({ spans }: Item) => spans.some((span) => firstRole(span) === 'colour');
  if (!items.some(has) || !items.every((item) => has(item) !== (metalIn(item) !== undefined))) return;
  for (const item of items) {
    const metal = metalIn(item);
    item.spans = item.spans.map((span) => (span === metal ? { ...span, roles: ['colour'] } : span));
  }
}

/**
 * "Cotton candy" beside "Navy": where some rows have a colour alone, a material right beside a colour is of it,
 * unless materials cross colours.
 */
function takeMaterialsForColours(items: readonly Item[]): void {
  const spanOf = ({ spans }: Item, role: Role) => spans.find((span) => firstRole(span) === role);
  const made = items.filter((item) => spanOf(item, 'material'));
  if (made.length === 0 || !items.some((item) => spanOf(item, 'colour') && !spanOf(item, 'material'))) return;
  const [colours, materials, pairs] = [new Set<string>(), new Set<string>(), new Set<string>()];
  for (const item of made) {
    const [colour, material] = [spanOf(item, 'colour'), spanOf(item, 'material')!];
    const isBeside = colour && (colour.from === material.to || colour.to === material.from);
    if (!isBeside || isMetal(material.key)) return;
    colours.add(colour.key);
    materials.add(material.key);
    pairs.add(`${colour.key} ${material.key}`);
  }
  if (pairs.size > Math.max(colours.size, materials.size)) return;
  for (const item of made) item.spans = asOneColour(item.spans, ['colour', 'material']);
}

/** "Navy stripe", "Black check", "Red floral": whether each colour stands right beside a pattern of its own. */
function areOneToOne(items: readonly Item[]): boolean {
  const pairs = new Set<string>();
  const [colours, patterns] = [new Set<string>(), new Set<string>()];
  for (const { spans } of items) {
    const [colour, pattern] = (['colour', 'pattern'] as const).map((role) =>
      spans.find((one) => firstRole(one) === role),
    );
    if (!colour || !pattern || (colour.to !== pattern.from && pattern.to !== colour.from)) return false;
    pairs.add(`${colour.key} ${pattern.key}`);
    colours.add(colour.key);
    patterns.add(pattern.key);
  }
  return pairs.size > 1 && pairs.size === colours.size && pairs.size === patterns.size;
}

/**
 * Materials, patterns and words that are things besides say what goods are where they stand before them, away from
 * the other options.
 */
function putBackWhatGoodsAre(items: readonly Item[]): void {
  for (const role of ['material', 'pattern', 'colour'] as const) {
    const mayBe = (span: OptionRead) => span.roles[0] === role && (role !== 'colour' || span.isWeak);
    if (!items.some(({ spans }) => spans.some(mayBe))) continue;
    const found = items.flatMap((item) => item.spans.filter(mayBe).map((span) => ({ item, span })));
    if (found.length === 0 || new Set(found.map(({ span }) => span.key)).size < 2) continue;
    if (
      role === 'colour' &&
      items.some((item) => item.spans.some((span) => span.roles[0] === 'colour' && !span.isWeak))
    )
      continue;
    for (const { item, span } of found)
      if (isPartOfName(item, span)) item.spans = item.spans.filter((one) => one !== span);
  }
}

function isPartOfName(item: Item, span: OptionRead): boolean {
  const words = stemWords(item);
  const [first, last] = [words[0]?.at ?? 0, words.at(-1)?.at ?? 0];
  if (words.length === 0 || span.from > last) return false;
  // Set apart by a sign it is an option, wherever it stands.
  if (item.tokens[span.to]?.kind === 'sign' && !item.tokens[span.to]!.glued) return false;
  const others = item.spans.filter((one) => one !== span);
  const stands = span.to <= first ? 'before' : 'inside';
  const beside = others.some((one) => one.to === span.from || one.from === span.to);
  if (words.length === 1 && stands === 'before') return span.roles[0] !== 'colour' || others.length === 0 || !beside;
  return span.roles[0] === 'material' && others.length > 0 && !beside;
}
