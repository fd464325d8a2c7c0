/** What a family is called: by the names of its rows, without what tells the rows apart. */
import type { OptionRead } from '../options/shape';
import { cleanName, stemWords } from './nameStems';
import type { Item } from './shape';
import { namedAxis, type RowVariant, type WovenAxis } from './weaves';

/** So many names of a family tell what it is called. */
const NAMES_LOOKED_AT = 7;

/** The name that most rows have without their options; null where none has any. */
export function familyName(variants: readonly RowVariant[], axes: readonly WovenAxis[]): string | null {
  const keys = new Set(axes.map(({ key }) => key));
  const fromWords = axes.some(({ key }) => key.startsWith('words '));
  const items = [...new Set(variants.map(({ item }) => item))].slice(0, NAMES_LOOKED_AT);
  if (fromWords) return commonWords(items);
  const counts = new Map<string, number>();
  const whole = new Map<string, string>();
  // What only some rows cry out, or one of them says of its brand, is no word of the name, nor what each cries otherwise.
  const isAside = new Set(items.map(asideText)).size > 1;
  for (const item of items) {
    // What fits everybody is no word of the name, though it is no option either.
    const { at } = variants.find((variant) => variant.item === item)!;
    const spans = item.spans.filter(
      (span) => span.key === 'one' || (isOnSome(span, keys, at) && !isElsewhere(item, span, at)),
    );
    const said = isAside && item.aside ? [...item.said, ...item.aside] : item.said;
    const isWhole = spans.length + said.length === 0;
    const { name: written, tokens } = item;
    const name = (isWhole ? whole.get(written) : undefined) ?? cleanName({ name: written, tokens, spans, said });
    if (isWhole) whole.set(written, name);
    if (name === '') continue;
    const times = (counts.get(name) ?? 0) + 1;
    if (times * 2 > NAMES_LOOKED_AT) return name;
    counts.set(name, times);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

const asideText = ({ aside = [], name, tokens }: Item): string =>
  aside.map(({ from, to }) => name.slice(tokens[from]!.from, tokens[to - 1]!.to)).join(' ');

/** Whether an option of a name is one of an axis: of its own kind, or of one that several kinds were made. */
function isOnSome(span: OptionRead, keys: ReadonlySet<string>, at: RowVariant['at']): boolean {
  const named = namedAxis(span);
  if (named === null ? span.roles.some((role) => keys.has(role)) : keys.has(named)) return true;
  for (const key of keys) if (at.get(key)?.key === span.key) return true;
  return false;
}

/** "Blue Harbour Smock" with "Rust" in a column: what the row says itself is another than the name seems to say. */
const isElsewhere = ({ given }: Item, { key, roles }: OptionRead, at: RowVariant['at']): boolean =>
  given.some(({ role }) => roles.includes(role) && at.get(role) !== undefined && at.get(role)!.key !== key);

/** The words that all names have. */
function commonWords(items: readonly Item[]): string {
  const sets = items.map((item) => new Set(stemWords(item).map(({ text }) => text)));
  const [first] = items as [Item];
  return stemWords(first)
    .filter(({ text }) => sets.every((set) => set.has(text)))
    .map(({ at }) => first.name.slice(first.tokens[at]!.from, first.tokens[at]!.to))
    .join(' ');
}
