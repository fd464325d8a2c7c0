/** Options that stand in one cell and are told by what they look like: "Navy / XL", "Kamel 36". */
import type { Role } from '../../family/shape';
import { ROLE_LABELS } from '../../registry/roles';
import { asOneColour } from '../options/asOneColour';
import { besideColour } from '../options/besideColour';
import { LINKS } from '../options/links';
import type { OptionReader } from '../options/readOptions';
import { tokensOf, type Token } from '../options/tokens';
import type { GivenOption } from './shape';

/** An option that is called as its kind is. */
export const plainly = (role: Role, text: string): GivenOption => ({
  axis: role,
  role,
  label: ROLE_LABELS[role],
  text,
});

/** "Navy / XL": values without names, told by what they look like; what nothing is known of stays an option of its own. */
export function optionsInCell(cell: string, options: OptionReader): GivenOption[] {
  const apart = /\s[/|–-]\s|[;|,]/.test(cell) ? /\s+[/|–-]\s+|\s*[;|,]\s*/ : /\//;
  const parts = cell.split(apart).filter((part) => part.trim() !== '');
  if (parts.length < 2) return byLook(cell, options);
  const read = parts.map((part) => ({ part: part.trim(), roles: options.whole(tokensOf(part))?.roles ?? [] }));
  const taken = new Set<Role>(read.flatMap(({ roles }) => (roles.length === 1 ? roles : [])));
  const isTwice = taken.size < read.filter(({ roles }) => roles.length === 1).length;
  if (isTwice) return byLook(cell, options);
  // A word that may be two things is what the others leave it; one nobody knows is a colour, where there is none.
  return read.map(({ part, roles }, at): GivenOption => {
    const wanted = roles.length === 1 ? roles[0]! : [...roles, 'colour' as const].find((role) => !taken.has(role));
    const role = wanted ?? 'other';
    taken.add(role);
    return { axis: role === 'other' ? `other ${at}` : role, role, label: ROLE_LABELS[role], text: part };
  });
}

/** What stands in a text without signs that part it: its options, and what is left of it. */
function byLook(text: string, options: OptionReader): GivenOption[] {
  const tokens = tokensOf(text);
  const alone = asOneColour(options.read(tokens));
  // "Seaweed & Juniper": a cell that says a colour and no other option is that colour as a whole.
  if (alone.length > 0 && alone.every(({ roles }) => roles[0] === 'colour')) return [plainly('colour', text.trim())];
  const found = alone.map((one) =>
    one.roles[0] === 'colour' ? { ...one, ...besideColour(one, alone, tokens, isWord) } : one,
  );
  const given = found.map((one) => plainly(one.roles[0]!, text.slice(tokens[one.from]!.from, tokens[one.to - 1]!.to)));
  // "Kamel 36": where no colour is known the words that are left are one.
  if (given.some(({ role }) => role === 'colour')) return given;
  const rest = tokens.filter((token, at) => isWord(token) && !found.some(({ from, to }) => at >= from && at < to));
  if (rest.length === 0) return given;
  return [plainly('colour', text.slice(rest[0]!.from, rest.at(-1)!.to)), ...given];
}

const isWord = ({ kind, text }: Token): boolean => kind === 'word' && !LINKS.has(text);
