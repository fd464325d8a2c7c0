/** Columns of upload sheets that are the program's own. */
import { foldLabel } from '../family/foldLabel';

/** Columns that every sheet has, whatever the channel asks for. No fact of a listing may have the name of one. */
const SHEET_COLUMNS = [
  ...['Row', 'Do', 'Key', 'Of family', 'Style', 'Category', 'Varies by', 'Plan'],
  ...['Entry', 'GTIN', 'Without GTIN', 'Sale from', 'Sale until', 'Tax %', 'Pieces', 'Option picture'],
] as const;

/** Whether a column goes by a number or by the currency: "Picture 3", "Option 1", "Price EUR". */
const isNumberedColumn = (header: string): boolean =>
  /^(picture|option|axis) \d+$/i.test(header) ||
  /^(list |sale )?price [a-z]{3}$/i.test(header) ||
  / (shown|group)$/i.test(header);

const OWN = new Set(SHEET_COLUMNS.map(foldLabel));

/** Whether a column is one that sheets have anyway, so that nothing else may be called so. */
export const isSheetColumn = (header: string): boolean => OWN.has(foldLabel(header)) || isNumberedColumn(header);
