/** Changes, plans, rules and findings described in sentences. */
export { type ChangeLine, type Namer, describeChange, titleOf } from './changes';
export { COMPARISON_WORDS } from './conditions';
export { concerned, findingText, pairingReasonText, remedyText } from './findingText';
export { STATE_WORDS, fitDifferenceText, meaningText } from './fitDifference';
export { FitReportSchema, fitReport } from './fitReport';
export { movedFigureText } from './movedFigures';
export { matchQuestion, matchReasonText } from './pictureMatches';
export { planReasons } from './planReasons';
export { planCost, planDifference, planText } from './plans';
export { ruleSections } from './rules';
export { stillSameText } from './stillSame';
export { uploadColumns } from './uploadColumns';
export { wordingHintText } from './wordingHints';
