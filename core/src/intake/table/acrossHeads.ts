/** Headers that are values of an axis: "S", "Size 38", and with a word for what stands below "EAN S", "250 ml – Price". */
import type { Role } from '../../family/shape';
import type { OptionReader } from '../options/readOptions';
import { isForWearer } from '../options/goodsWords';
import { tokensOf, type Token } from '../options/tokens';
import type { HeaderMeaning, ListWords } from './headerWords';
import { ACROSS_KEYS, type AcrossKey } from './shape';

/** A header that is the value of an axis, with or without a word for what stands below. */
export interface AcrossHead {
  role: Role;
  /** "40L" may be a size beside others, whatever it is alone. */
  mayBeSize: boolean;
  value: string;
  isWeak: boolean;
  key: AcrossKey | null;
}

/** Roles whose values are written as heads of columns. */
const ROLES_ACROSS = new Set<Role>(['size', 'colour', 'length', 'volume', 'pack']);

/** The value that a header says, beside whatever else it says; as it stands where it says none. */
export const valueIn = (header: string, words: ListWords): string =>
  (plainHead(header, words.options) ?? headSaying(header, words))?.value ?? header;

/** "Size 38", "Gr. 38", and "38 pieces" mean the value alone. */
export function plainHead(header: string, options: OptionReader): AcrossHead | null {
  const all = tokensOf(header);
  const tokens = sizeAmong(all);
  const read = header === '' ? null : options.whole(tokens);
  const role = read?.roles[0];
  if (!read || !role || !ROLES_ACROSS.has(role)) return null;
  const value = header.replace(/^(?:size|gr\.?|größe|taille|talla|taglia|maat)\s+/i, '');
  // A number alone may be anything else.
  return {
    role,
    mayBeSize: read.roles.includes('size') || CROSS.test(value),
    value,
    isWeak: read.isWeak && /^\d+$/.test(read.key) && tokens === all,
    key: null,
  };
}

/** "Youth S", "38 Regular": the size with a word for whom it is, or how long; the whole is the value. */
function sizeAmong(tokens: readonly Token[]): readonly Token[] {
  const [first, last] = [tokens[0], tokens.at(-1)];
  if (tokens.length < 2 || tokens.length > 3 || !first || !last) return tokens;
  if (isForWearer(first.text)) return tokens.slice(1);
  return /^(?:regular|reg|long|short|tall|petite)$/.test(last.text) ? tokens.slice(0, -1) : tokens;
}

/** "2X": two pieces, or a plus size. */
const CROSS = /^[2-6]x$/i;

/** "EAN S", "250 ml – Price": a word for what stands below, before the value or behind it. */
export function headSaying(header: string, { meaningOf, options }: ListWords): AcrossHead | null {
  const tokens = tokensOf(header);
  if (tokens.length < 2 || tokens.length > LONGEST) return null;
  for (const cut of tokens.slice(1).map(({ from }) => from)) {
    const [before, behind] = [header.slice(0, cut), header.slice(cut)].map((part) => part.replace(AROUND, '')) as [
      string,
      string,
    ];
    for (const [word, value] of [
      [before, behind],
      [behind, before],
    ] as const) {
      const key = keyOf(meaningOf(word));
      const head = key && plainHead(value, options);
      if (head) return { ...head, key };
    }
  }
  return null;
}
/** ListWords and signs of such a header at most. */
const LONGEST = 8;
/** Signs between the two. */
const AROUND = /^[\s:|/()[\]_–-]+|[\s:|/()[\]_–-]+$/g;

function keyOf(said: HeaderMeaning | null): AcrossKey | null {
  const key = said?.certainty === 1 && said.meaning.is === 'field' ? said.meaning.key : null;
  return ACROSS_KEYS.find((one) => one === key) ?? null;
}
