/** Where the entries of a list stand: one below the other, the middle of a long list folded into one line. */

export const ROW = 17;
/** So many entries are shown without folding; of more, so many at the head and at the foot. */
const MOST = 20;
const HEAD = 9;
const FOOT = 4;

export interface ColumnPlaces {
  /** Entry → its height; those in the fold share its height. */
  yOf: readonly number[];
  isShown(at: number): boolean;
  /** The line that stands for what is folded away. */
  fold: { y: number; hidden: readonly string[] } | null;
  /** Whether there is something to fold. */
  isLong: boolean;
  /** Where the next list may begin. */
  end: number;
}

export function columnPlaces(labels: readonly string[], top: number, isUnfolded: boolean): ColumnPlaces {
  const isLong = labels.length > MOST;
  const last = labels.length - FOOT;
  const isFolded = isLong && !isUnfolded;
  const isHidden = (at: number) => isFolded && at >= HEAD && at < last;
  const lineOf = (at: number) => (!isFolded || at < HEAD ? at : at < last ? HEAD : at - last + HEAD + 1);
  const lines = labels.length === 0 ? 0 : lineOf(labels.length - 1) + 1;
  return {
    yOf: labels.map((_, at) => top + lineOf(at) * ROW),
    isShown: (at) => !isHidden(at),
    fold: isFolded ? { y: top + HEAD * ROW, hidden: labels.slice(HEAD, last) } : null,
    isLong,
    end: top + lines * ROW,
  };
}
