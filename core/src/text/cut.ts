/** Texts made shorter. */

/** The beginning of a text, no longer than so many characters (UTF-16 code units), with no sign cut in half. */
export function cutTo(text: string, most: number): string {
  const cut = text.slice(0, most);
  // The first half of a pair of surrogates says nothing without the second; a joiner joins nothing.
  return cut.length < text.length ? cut.replace(/[\u200d\ud800-\udbff]+$/, '') : cut;
}
