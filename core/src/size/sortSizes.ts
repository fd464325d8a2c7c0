/** The order of sizes: XS S M L XL; 2, 4, 10; months before years; 92 before 104. Never the alphabet. */

const LETTERS: Record<string, number> = { S: 0, SMALL: 0, M: 1, MEDIUM: 1, L: 2, LARGE: 2 };

/**
 * A comparable figure for a size label, or null where the label is no size. Families of sizes are kept apart by the
 * first number.
 */
export function sizeKey(label: string): [number, number] | null {
  const text = label
    .trim()
    .toUpperCase()
    .replace(/[\s_]+/g, ' ');
  if (/^(ONE SIZE|OS|ONESIZE)$/.test(text)) return [0, 0];
  const letter = /^(?:(\d+)\s*X|(X*))[- ]?(S|M|L|SMALL|MEDIUM|LARGE)(\s*\/\s*.*)?$/.exec(text);
  if (letter) {
    const crosses = letter[1] ? Number(letter[1]) : letter[2]!.length;
    const base = LETTERS[letter[3]!]!;
    if (base === 1) return crosses === 0 ? [1, 1] : null;
    return [1, base === 0 ? -crosses : 2 + crosses];
  }
  const age = /^(\d+(?:[.,]\d+)?)(?:\s*[-–/]\s*\d+(?:[.,]\d+)?)?\s*(M|MTHS?|MONTHS?|Y|YRS?|YEARS?)$/.exec(text);
  if (age) return [2, number(age[1]!) * (age[2]!.startsWith('Y') ? 12 : 1)];
  const measure =
    /^(\d+(?:[.,]\d+)?)(?:\s*[-–/x×]\s*\d+(?:[.,]\d+)?)*\s*(MM|CM|M|IN|"|ML|CL|L|LITRES?|G|KG|PACK|PAIRS?|PCS)?$/.exec(
      text,
    );
  if (measure) {
    const scale: Record<string, number> = {
      MM: 0.1,
      CM: 1,
      M: 100,
      IN: 2.54,
      '"': 2.54,
      ML: 1,
      CL: 10,
      L: 1000,
      LITRE: 1000,
      LITRES: 1000,
      G: 1,
      KG: 1000,
    };
    return [3, number(measure[1]!) * (scale[measure[2] ?? ''] ?? 1)];
  }
  const counted = /^(?:PACK OF|SET OF)\s+(\d+)$/.exec(text);
  return counted ? [3, Number(counted[1])] : null;
}

const number = (text: string) => Number(text.replace(',', '.'));

/** Sorts labels by size. Labels that are no sizes keep their order, after all that are. */
export function sortSizes(labels: readonly string[]): string[] {
  return labels
    .map((label, at) => ({ label, at, key: sizeKey(label) }))
    .sort((a, b) => {
      if (!a.key || !b.key) return a.key ? -1 : b.key ? 1 : a.at - b.at;
      return a.key[0] - b.key[0] || a.key[1] - b.key[1] || a.at - b.at;
    })
    .map((one) => one.label);
}
