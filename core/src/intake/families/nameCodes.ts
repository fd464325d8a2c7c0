/** Numbers of goods that stand in their names: "[58067-02] Jeans plum", "Wallet mint (4006000000015)". They are no words of the name. */
import type { OptionReader } from '../options/readOptions';
import { tokensOf } from '../options/tokens';
import { codeKey } from './codeKey';
import type { Item } from './shape';

/** So many names tell whether the names of a list have codes. */
const LOOKED_AT = 300;
/** Fewer names tell nothing: every size of a poster may stand there once. What is set in brackets is sooner known. */
const FEWEST = 6;
const FEWEST_IN_BRACKETS = 3;
/** Such a share of names has one, each another or the code of its row. */
const MOST = 0.8;

/** What stands first or last in a name, with the signs that set it apart. */
const ENDS = [
  /^\s*[[(#]?([\p{L}\p{N}][\p{L}\p{N}._/-]{3,})[\])]?\s*[:|–-]?\s+(?=\S)/u,
  /\s[[(#]?([\p{L}\p{N}][\p{L}\p{N}._/-]{3,})[\])]?\s*$/u,
];

/** Marks codes at an end of the names as said by the row, where most names have one there. */
export function cutCodes(items: readonly Item[], options: OptionReader): void {
  const step = Math.max(1, Math.floor(items.length / LOOKED_AT));
  const some = items.filter((_, at) => at % step === 0);
  for (const end of ENDS) {
    if (!haveCodes(some, end, options)) continue;
    for (const item of items) {
      const found = end.exec(item.name);
      if (!found || !isCode(found, options)) continue;
      const from = item.tokens.findIndex(
        (token) => token.to > found.index && !/^\s*$/.test(item.name.slice(found.index, token.to)),
      );
      const last = item.tokens.findLastIndex((token) => token.from < found.index + found[0].length);
      item.said.push({ from, to: last + 1, isCode: true });
    }
  }
}

function haveCodes(items: readonly Item[], end: RegExp, options: OptionReader): boolean {
  const codes = items.flatMap((item) => {
    const found = end.exec(item.name);
    return found && isCode(found, options)
      ? [{ item, code: codeKey(found[1]!), isBracketed: isBracketed(found[0]) }]
      : [];
  });
  const fewest = codes.every((one) => one.isBracketed) ? FEWEST_IN_BRACKETS : FEWEST;
  if (items.length < fewest || codes.length < items.length * MOST) return false;
  const own = codes.filter(({ item, code }) =>
    [item.ownCode, item.style].some((one) => one !== '' && codeKey(one).startsWith(code)),
  );
  return Math.max(new Set(codes.map(({ code }) => code)).size, own.length) >= codes.length * MOST;
}

const isBracketed = (text: string): boolean => /[[(].*[\])]/.test(text);

/**
 * Three digits at least, no option ("135x200" is a size) and no words of a name ("Jacket/Navy/104"); in brackets capitals
 * that signs part as well ("FJ-NV-S"), of which some are no option.
 */
function isCode([whole, text]: RegExpExecArray, options: OptionReader): boolean {
  if (/\p{Ll}{3}/u.test(text!)) return false;
  const hasDigits = (text!.match(/\d/g)?.length ?? 0) > 2;
  if (!hasDigits && !(isBracketed(whole) && /^[\p{Lu}\d]+(?:[._/-][\p{Lu}\d]+)+$/u.test(text!))) return false;
  const tokens = tokensOf(text!);
  if (options.whole(tokens) !== null) return false;
  const spans = options.read(tokens);
  return (
    hasDigits || tokens.some(({ kind }, at) => kind !== 'sign' && !spans.some(({ from, to }) => at >= from && at < to))
  );
}
