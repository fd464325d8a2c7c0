/** A whole text that is one option and nothing else, of however many parts: "Navy / White", "8 (M)", "UK 8 / EU 36", "Navy (401)". */
import type { Role } from '../../family/shape';
import { COLOUR_JOINTS } from './colourWords';
import type { OptionRead } from './shape';
import type { Token } from './tokens';

/** The one option that a text is, by the options that were read in it; null where it is several, or something else besides. */
export function wholeOf(options: readonly OptionRead[], tokens: readonly Token[]): OptionRead | null {
  const [first, second, ...more] = options;
  if (!first) return null;
  if (first.from === 0 && first.to === tokens.length) return first;
  const between = tokens.filter((_, at) => !options.some((one) => at >= one.from && at < one.to));
  const whole = { from: 0, to: tokens.length, isWeak: false, label: undefined };
  // "Navy / White": two colours are one value.
  if (options.every(({ roles }) => roles.includes('colour')) && between.every((token) => JOINS.has(token.text)))
    return { ...whole, roles: ['colour'], key: options.map(({ key }) => key).join('') };
  if (!second || more.length > 0 || between.some(({ kind }) => kind !== 'sign')) return null;
  const isBracketed = tokens[first.to]?.text === '(';
  if (areOneSize(first, second, isBracketed, tokens))
    return { ...whole, roles: ['size'], key: `${first.key} ${second.key}` };
  return isRole(first, 'colour') && isColourNumber(second)
    ? { ...whole, roles: ['colour'], key: second.key + first.key }
    : null;
}

const JOINS = new Set(['/', '&', '+', '-', 'with', ...COLOUR_JOINTS]);
const isRole = ({ roles }: OptionRead, role: Role): boolean => roles[0] === role;

/** "8 (M)", "UK 8 / EU 36": one size said twice, the second in brackets or of another system. */
function areOneSize(first: OptionRead, second: OptionRead, isBracketed: boolean, tokens: readonly Token[]): boolean {
  if (!isRole(first, 'size') || !isRole(second, 'size')) return false;
  const [system, other] = [first, second].map(({ key }) => SYSTEM.exec(key)?.[0]);
  const isJoined = ['/', '-', '=', '|'].includes(tokens[first.to]?.text ?? '');
  return isBracketed || (isJoined && system !== undefined && other !== undefined && system !== other);
}
const SYSTEM = /^(?:eu|uk|us|it|fr|de|jp|br)(?=\d)/;

/** A number that is no size: of four digits, or more than children are tall. */
const isColourNumber = ({ key, isWeak, roles }: OptionRead): boolean =>
  isWeak && roles[0] === 'size' && /^\d{3,}$/.test(key) && Number(key) > TALLEST;
const TALLEST = 188;
