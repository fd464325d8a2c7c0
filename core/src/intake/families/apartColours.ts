/** Colours that have more words than the trade knows: where signs set them apart from the name ("Soy candle – White tea / 200 ml"), and scents. */
import { besideColour } from '../options/besideColour';
import { colourKey } from '../options/colourWords';
import type { OptionRead } from '../options/shape';
import { areTasted, changesGoods, isBesideGoods, isGoods, isScented, isTasted } from '../options/goodsWords';
import { LINKS } from '../options/links';
import { setsApart, type Token } from '../options/tokens';

/** Takes the unknown words beside a colour into it, where a sign parts them from goods before, and nothing there is goods again. */
export function widenApart(spans: readonly OptionRead[], tokens: readonly Token[]): readonly OptionRead[] {
  const first = tokens.findIndex((token, at) => at > 0 && setsApart(token));
  if (first < 0 || !tokens.slice(0, first).some(({ text }) => isGoods(text) || isBesideGoods(text) || isScented(text)))
    return spans;
  return spans.map((span) => {
    if (!isColour(span) || span.from < first) return span;
    const { from, to } = besideColour(span, spans, tokens, isUnknown);
    if (from === span.from && to === span.to) return span;
    // A part that goes on with other words of the name is none of options alone.
    if (!endsPart(tokens[from - 1], spans, from - 1) || !endsPart(tokens[to], spans, to)) return span;
    return { from, to, key: colourKey(tokens.slice(from, to)), roles: ['colour'], isWeak: false };
  });
}

/** Takes the unknown words behind a colour into it, where the goods before it are chosen by their scent or taste: "Candle white tea". */
export function widenTastes(spans: readonly OptionRead[], tokens: readonly Token[]): readonly OptionRead[] {
  if (!tokens.some(({ text }) => isTasted(text))) return spans;
  return spans.map((span) => {
    const before = tokens.slice(0, span.from).map(({ text }) => text);
    if (!isColour(span) || !areTasted(before)) return span;
    const { to } = besideColour(span, spans, tokens, isUnknown);
    if (to === span.to || !endsPart(tokens[to], spans, to)) return span;
    return { from: span.from, to, key: colourKey(tokens.slice(span.from, to)), roles: ['colour'], isWeak: false };
  });
}

const isColour = ({ roles }: OptionRead): boolean => roles[0] === 'colour';
const isUnknown = ({ kind, text }: Token): boolean => kind === 'word' && !changesGoods(text) && !LINKS.has(text);
const endsPart = (token: Token | undefined, spans: readonly OptionRead[], at: number): boolean =>
  !token || token.kind === 'sign' || spans.some(({ from, to }) => at >= from && at < to);
