/** Letter sizes that read as something else: "Medium Grey" as a shade, "2.0 M" as metres. The other rows of the family tell. */
import { inFull } from '../options/colourWords';
import type { OptionRead } from '../options/shape';
import { cutSpan } from './cutSpan';
import type { Item } from './shape';
import { isBareNumber } from './weakSizes';

/** "Shirt Medium Grey" beside "Shirt Large Grey": where other rows have a letter for their size and this one has none, the word is the size. */
export function takeMediumForSize(items: readonly Item[]): void {
  const hasLetter = ({ spans }: Item) =>
    spans.some(({ key, roles }) => roles[0] === 'size' && key.startsWith('letter'));
  const isMedium = (item: Item, { roles, from, to }: OptionRead) =>
    roles[0] === 'colour' && to - from > 1 && inFull(item.tokens[from]!.text) === 'medium';
  if (!items.some((item) => !hasSize(item) && item.spans.some((span) => isMedium(item, span)))) return;
  if (!items.some(hasLetter)) return;
  for (const item of items)
    if (!hasSize(item))
      item.spans = item.spans.flatMap((span) =>
        isMedium(item, span)
          ? [
              { from: span.from, to: span.from + 1, roles: ['size'], key: 'letter0', label: 'M', isWeak: false },
              cutSpan(item, span, span.from + 1, span.to),
            ]
          : [span],
      );
}
/** "Jacket 2.0 M" beside "Jacket S" is in M, and no two metres of jacket. */
export function takeLettersForSizes(items: readonly Item[]): void {
  const letterIn = (item: Item, { roles, from, to }: OptionRead): 'M' | 'L' | null => {
    const last = item.tokens[to - 1]!;
    const isMeasure = (roles[0] === 'length' || roles[0] === 'volume') && to - from === 2 && !last.glued;
    return isMeasure && (last.text === 'm' || last.text === 'l') ? (last.text === 'm' ? 'M' : 'L') : null;
  };
  if (!items.some((item) => item.spans.some((span) => letterIn(item, span)))) return;
  if (!items.some(({ spans }) => spans.some(({ key }) => key.startsWith('letter')))) return;
  for (const item of items)
    item.spans = item.spans.flatMap((span): OptionRead[] => {
      const label = letterIn(item, span);
      if (!label) return [span];
      const key = label === 'M' ? 'letter0' : 'letter1';
      const letter: OptionRead = { from: span.to - 1, to: span.to, roles: ['size'], key, label, isWeak: false };
      // The number may be one of a colour.
      const number = item.tokens[span.from]!.text;
      return [{ from: span.from, to: span.from + 1, roles: ['size'], key: number, isWeak: true }, letter];
    });
}

/** "Wetsuit MT" beside "Wetsuit M" is one for who is tall. */
export function takeTallForSizes(items: readonly Item[]): void {
  const isTall = ({ key, isWeak }: OptionRead) => isWeak && /^letter-?\d[ts]$/.test(key);
  if (!items.some(({ spans }) => spans.some(isTall))) return;
  if (!items.some(({ spans }) => spans.some(({ key }) => /^letter-?\d$/.test(key)))) return;
  for (const item of items) item.spans = item.spans.map((span) => (isTall(span) ? { ...span, isWeak: false } : span));
}

/** "Dress 2X" beside "Dress 1X" or "Dress XL" is in a plus size, and no two dresses. */
export function takeCrossesForSizes(items: readonly Item[]): void {
  const crossIn = ({ tokens }: Item, { roles, isWeak, from, to }: OptionRead): string | null =>
    (isWeak || roles[0] === 'pack') && to - from === 2 && tokens[to - 1]!.text === 'x' ? tokens[from]!.text : null;
  if (!items.some((item) => item.spans.some((span) => crossIn(item, span) !== null))) return;
  if (!items.some(({ spans }) => spans.some(({ key }) => key === 'plus1' || key.startsWith('letter')))) return;
  for (const item of items) {
    const isSized = item.spans.some((span) => span.roles[0] === 'size' && !span.isWeak);
    if (isSized) continue;
    item.spans = item.spans.map((span) => {
      const cross = crossIn(item, span);
      return cross === null ? span : { ...span, roles: ['size'], key: `plus${cross}`, isWeak: false };
    });
  }
}

const hasSize = ({ spans }: Item): boolean => spans.some((span) => span.roles[0] === 'size' && !isBareNumber(span));
