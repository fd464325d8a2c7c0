/** Labels of axes and values. */

/** The form under which two labels are the same: neither case nor blanks around them count. */
export const fold = (label: string): string => label.trim().toLowerCase();
