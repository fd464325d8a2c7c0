/** Ids of families. */
import { randomBytes } from 'node:crypto';

const LETTERS = '23456789abcdefghjkmnpqrstuvwxyz';

/** An id that no family has: letters and digits that are not taken for each other. */
export const newFamilyId = (): string =>
  'k' + [...randomBytes(7)].map((byte) => LETTERS[byte % LETTERS.length]).join('');
