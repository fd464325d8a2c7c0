/** Numbers with what they count: "1 child", "3 children". */

/**
 * The word in the singular for one, else in the plural; "listing" becomes "listings" unless another plural is given.
 */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${number.toLocaleString('en')} ${number === 1 ? one : many}`;
}

export const children = (number: number): string => count(number, 'child', 'children');

/** "Rust", "Rust and Spruce", "Rust, Spruce and Ochre"; with another word than "and" where one is given. */
export function listed(words: readonly string[], before = 'and'): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${before} ${words.at(-1)}`;
}

/** The text as a sentence begins. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
