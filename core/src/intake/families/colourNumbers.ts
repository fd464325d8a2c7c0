/** Numbers of colours in names: "01 Porcelain", "Navy 401", "Navy (401)". */
import type { OptionRead } from '../options/shape';
import type { Token } from '../options/tokens';
import type { Item } from './shape';
import { areSizeNumbers, isBareNumber, NUMBERED } from './weakSizes';

/** Takes a number right behind a colour for one that may be of it, as one before it is taken already; as a number it is an option only beside others. */
export function withColourNumbers(spans: readonly OptionRead[], tokens: readonly Token[]): readonly OptionRead[] {
  if (!tokens.some(({ kind }) => kind === 'number')) return spans;
  const colours = spans.filter(({ roles }) => roles[0] === 'colour');
  if (colours.length === 0) return spans;
  const numbers = colours.flatMap((colour) => numberBehind(colour, spans, tokens) ?? []);
  const all = numbers.length === 0 ? spans : [...spans, ...numbers].sort((a, b) => a.from - b.from);
  return all.map((span) => (isNumberOf(span, colours, tokens) ? { ...span, isOfColour: true } : span));
}

function numberBehind(colour: OptionRead, spans: readonly OptionRead[], tokens: readonly Token[]): OptionRead | null {
  const at = behind(colour, tokens);
  const [number, next] = [tokens[at], tokens[at + 1]];
  const isNumber = number?.kind === 'number' && /^\d{2,5}$/.test(number.text);
  if (!isNumber || (next?.kind === 'word' && next.glued)) return null;
  const isTaken = spans.some(({ from, to }) => at >= from && at < to);
  return isTaken ? null : { from: at, to: at + 1, roles: ['size'], key: number.text, isWeak: true };
}

const isNumberOf = (span: OptionRead, colours: readonly OptionRead[], tokens: readonly Token[]): boolean =>
  isBareNumber(span) &&
  (span.key.length > 2 || span.key.startsWith('0')) &&
  colours.some((colour) => colour.from === span.to || behind(colour, tokens) === span.from);

/** The token after a colour, or after the bracket that opens behind it. */
const behind = ({ to }: OptionRead, tokens: readonly Token[]): number => (isOpening(tokens[to]) ? to + 1 : to);
const isOpening = (token: Token | undefined): boolean => token !== undefined && '([#'.includes(token.text);

interface Shade {
  number: OptionRead;
  colour: OptionRead;
}

const SIDES = ['before', 'behind'] as const;
type Side = (typeof SIDES)[number];

/** A number beside a colour that goes with no other is the number of that colour, where it is no size. */
export function takeShades(items: readonly Item[]): void {
  if (!items.some(({ spans }) => spans.some(isBareNumber))) return;
  for (const side of SIDES) {
    const shades = items.flatMap((item) => shadeIn(item, side) ?? []);
    if (!areShades(shades, items, side)) continue;
    for (const item of items) {
      const shade = shadeIn(item, side);
      if (shade) item.spans = item.spans.flatMap((span) => withNumber(span, shade, item.tokens));
    }
  }
}

function areShades(shades: readonly Shade[], items: readonly Item[], side: Side): boolean {
  const numbers = new Set(shades.map(({ number }) => number.key));
  const colours = new Set(shades.map(({ colour }) => colour.key));
  const pairs = new Set(shades.map(({ number, colour }) => `${number.key} ${colour.key}`));
  if (numbers.size < 2 || pairs.size !== numbers.size || pairs.size !== colours.size) return false;
  if ([...numbers].some((one) => one.startsWith('0'))) return true;
  if (side === 'behind' && shades.length === items.length && items.every(hasSize)) return true;
  // Two makes of one colour each would be at two prices.
  const areAlike = numbers.size > 2 && items.every(({ price }) => price === items[0]!.price);
  return areAlike && !areSizeNumbers([...numbers].map(Number));
}

function shadeIn({ spans, tokens }: Item, side: Side): Shade | null {
  for (const number of spans) {
    // "Model 501 blue" is another make than 502 in black.
    if (!isBareNumber(number) || NUMBERED.has(tokens[number.from - 1]?.text ?? '')) continue;
    const colour = spans.find(
      (span) =>
        span.roles[0] === 'colour' &&
        (side === 'before' ? span.from === number.to : behind(span, tokens) === number.from),
    );
    if (colour) return { number, colour };
  }
  return null;
}

/** Whether a row has a size besides the number. */
const hasSize = ({ spans, given, across }: Item): boolean =>
  spans.some((span) => span.roles[0] === 'size' && !isBareNumber(span)) ||
  given.some(({ role }) => role === 'size') ||
  across.some(({ value }) => value.role === 'size') ||
  spans.filter(isBareNumber).length > 1;

function withNumber(span: OptionRead, { number, colour }: Shade, tokens: readonly Token[]): OptionRead[] {
  if (span === number) return [];
  if (span !== colour) return [span];
  const from = Math.min(number.from, colour.from);
  const isClosed = number.from > colour.to && ')]'.includes(tokens[number.to]?.text ?? ' ');
  const to = Math.max(isClosed ? number.to + 1 : number.to, colour.to);
  return [{ ...colour, from, to, key: number.key + colour.key, label: undefined, isWeak: false }];
}
