/** Words right beside a colour that belong to it: "Blu notte", "White tea". */
import type { OptionRead } from './shape';
import type { Token } from './tokens';

/** How far a colour goes to both sides over words that may be of it and that no other option takes. */
export function besideColour(
  colour: OptionRead,
  all: readonly OptionRead[],
  tokens: readonly Token[],
  mayBeOfIt: (token: Token) => boolean,
): Pick<OptionRead, 'from' | 'to'> {
  let { from, to } = colour;
  const isFree = (at: number) =>
    mayBeOfIt(tokens[at]!) && !all.some((one) => one !== colour && at >= one.from && at < one.to);
  while (from > 0 && isFree(from - 1)) from -= 1;
  while (to < tokens.length && isFree(to)) to += 1;
  return { from, to };
}
