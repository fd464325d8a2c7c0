/** Words side by side that are one colour together. */
import type { Role } from '../../family/shape';
import type { OptionRead } from './readOptions';

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
