/** Words that are one colour together: side by side, or joined by a word or sign. */
import type { Role } from '../../family/shape';
import { COLOUR_JOINTS } from './colourWords';
import type { OptionRead } from './shape';
import type { Token } from './tokens';
import { isWordLeft } from './wordsLeft';

const LOOKS: readonly Role[] = ['colour', 'pattern', 'material'];

/** "Satin nickel", "Grey check": what a colour is of, or how it is patterned, goes with it where nothing stands between. */
export function asOneColour(found: readonly OptionRead[], looks: readonly Role[] = LOOKS): OptionRead[] {
  return found.reduce<OptionRead[]>((all, one) => {
    const before = all.at(-1);
    const isBeside = before?.to === one.from && [before, one].every(({ roles }) => looks.includes(roles[0]!));
    if (!isBeside || ![before, one].some(({ roles }) => roles[0] === 'colour')) return [...all, one];
    const both: OptionRead = {
      from: before.from,
      to: one.to,
      roles: ['colour'],
      key: before.key + one.key,
      isWeak: false,
    };
    return [...all.slice(0, -1), both];
  }, []);
}

const JOINTS = new Set(['&', '+', '/', ...COLOUR_JOINTS]);
/** Say what goes with a colour, which may be a part of the goods: "Navy with red lining". */
const WITH = new Set('with mit avec con met'.split(' '));

/** "Navy & White", "Rust and Ecru", "Red, White & Blue": two colours and more that are one value, spelled however. */
export function joinColours(found: readonly OptionRead[], tokens: readonly Token[]): readonly OptionRead[] {
  if (found.length < 2) return found;
  return found.reduceRight<OptionRead[]>((all, one) => {
    const [next, ...more] = all;
    if (!next || !areColours(one, next) || next.from !== one.to + 1) return [one, ...all];
    const joint = tokens[one.to]!.text;
    // What a comma parts is one only in a row that ends in "and".
    const isRow = joint === ',' && next.to - next.from > 1 && endsInJoint(next, tokens);
    const isPair = JOINTS.has(joint) || (WITH.has(joint) && !isWordLeft(found, tokens, next.to));
    if (!isRow && !isPair) return [one, ...all];
    const { from, key, isWeak } = one;
    return [{ from, to: next.to, roles: ['colour'], key: key + next.key, isWeak: isWeak && next.isWeak }, ...more];
  }, []);
}

const areColours = (...some: OptionRead[]): boolean => some.every(({ roles }) => roles[0] === 'colour');

const endsInJoint = ({ from, to }: OptionRead, tokens: readonly Token[]): boolean =>
  tokens.slice(from, to).some(({ text, glued }) => JOINTS.has(text) && !(text === '/' && glued));
