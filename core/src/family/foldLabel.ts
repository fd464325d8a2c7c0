/**
 * The form under which two labels of axes or values are the same: neither case nor blanks around or between words
 * count.
 */
export const foldLabel = (label: string): string => label.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();
