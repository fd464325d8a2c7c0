/** Checks on wording. */

/**
 * Option values that stand in a name as words: labels of three characters and fewer only as they are written, longer
 * ones in any case.
 */
export function optionValuesIn(name: string, labels: readonly string[]): string[] {
  const folded = name.toLowerCase();
  return labels.filter((label) => {
    // Most names hold none of them: that is seen without looking for words.
    if (!folded.includes(label.toLowerCase())) return false;
    const escaped = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    return new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, label.length > 3 ? 'iu' : 'u').test(name);
  });
}

/** The name without those words, blanks closed up. */
export function withoutWords(name: string, labels: readonly string[]): string {
  return labels
    .reduce(
      (text, label) =>
        text.replace(
          new RegExp(`(?<![\\p{L}\\p{N}])${label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'giu'),
          ' ',
        ),
      name,
    )
    .replace(/\s+/g, ' ')
    .replace(/[\s,–-]+$/, '')
    .trim();
}

/** Whether a text points to another site. */
export function hasLink(text: string): boolean {
  return /https?:\/\/|www\.[a-z0-9]/i.test(text);
}
