/** Cells that no spreadsheet takes for a formula, and such cells as they were. */

/** What a spreadsheet takes for a formula, and what was such a text behind apostrophes of its own. */
const FORMULA = /^'*[=@\t\r]|^'+[+-]|^[+-](?![\d.,\s]*$)/;

/** A cell a spreadsheet would take for a formula gets an apostrophe in front; numbers with a sign stay. */
export function harmless(cell: string): string {
  return FORMULA.test(cell) ? `'${cell}` : cell;
}

/** The cell as it was before `harmless`. */
export function plain(cell: string): string {
  return /^'+[=@+\-\t\r]/.test(cell) ? cell.slice(1) : cell;
}
