/** How much the tests try: `npm run test:long` tries more than `npm test`, which is to be over in some minutes. */
export const IS_LONG = process.env.LOOM_KIN_LONG === 'yes';

/** So many runs of a property, or rounds of a test: few in `npm test`, many in `npm run test:long`. */
export const rounds = (few: number, many: number): number => (IS_LONG ? many : few);
