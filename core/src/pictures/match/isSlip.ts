/** Words that differ by a slip of the pen. */

/** One letter more, less, another, or two that changed places. */
export function isSlip(word: string, label: string): boolean {
  if (word === label || Math.abs(word.length - label.length) > 1) return false;
  let from = 0;
  while (from < word.length && word[from] === label[from]) from += 1;
  let end = 0;
  while (end < word.length - from && end < label.length - from && word.at(-1 - end) === label.at(-1 - end)) end += 1;
  const left = word.slice(from, word.length - end);
  const right = label.slice(from, label.length - end);
  if (left.length <= 1 && right.length <= 1) return true;
  return left.length === 2 && right.length === 2 && left[0] === right[1] && left[1] === right[0];
}
