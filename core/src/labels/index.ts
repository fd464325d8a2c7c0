/** Labels to print. */
export {
  LABEL_PADDING,
  LABEL_SHEETS,
  LABEL_SHEET_IDS,
  type LabelSheet,
  type LabelSheetId,
  type PlacedLabel,
  planLabels,
} from './planLabels';
export { LARGEST_PERCENT, MODULE, SMALLEST_PERCENT, symbolOf, symbolWidth } from './symbol';
