/** Pictures travel inside as `picture:` and their id; the address is put in when they are sent. */
const MARK = 'picture:';

export const pictureMark = (id: string): string => MARK + id;

/** The id in a mark; null for any other text. */
export function markedPicture(text: string): string | null {
  return text.startsWith(MARK) ? text.slice(MARK.length) : null;
}
