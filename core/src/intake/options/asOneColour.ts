/** Words of a cell that are one colour together. */
import type { OptionRead } from './readOptions';

/** "Satin nickel", "Grey check": what a colour is of, or how it is patterned, goes with it where nothing stands between. */
export function asOneColour(found: readonly OptionRead[]): OptionRead[] {
  const isLook = ({ roles: [role] }: OptionRead) => role === 'colour' || role === 'pattern' || role === 'material';
  return found.reduce<OptionRead[]>((all, one) => {
    const before = all.at(-1);
    const isBeside = before?.to === one.from && isLook(before) && isLook(one);
    const isColour = isBeside && [before, one].some(({ roles }) => roles[0] === 'colour');
    return isColour ? [...all.slice(0, -1), { ...before, to: one.to, roles: ['colour'] }] : [...all, one];
  }, []);
}
