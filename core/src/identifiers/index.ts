/** SKUs and GTINs: reading, checking, proposing, numbering. */
export {
  type NumberBlock,
  NumberBlockSchema,
  ReservationSchema,
  blockNumber,
  blockSize,
  freeRun,
  isOfBlock,
  nextNumbers,
  numbersLeft,
} from './block';
export { gtin14, gtinCheckDigit, isGtin, readGtin } from './gtin';
export { AXES, HOUSE_MARKS, USUAL_HOUSE, checkHousePattern, familyPattern } from './housePattern';
export { type IsTaken, type SkuProposal, proposeSkus } from './proposeSkus';
export { IDENTIFIERS, type IdentifierKind, identifierOwners, identityOf, isIdentifier, skusGone } from './sameness';
export { SKU_MOST } from './sku';
export {
  APART,
  COUNTER,
  FAMILY_MARKS,
  MARK_LETTERS,
  type MarkLetters,
  type PatternMark,
  type PatternPiece,
  readPattern,
  skuMarks,
  writePattern,
} from './skuPattern';
export { skuWayOut } from './skuWayOut';
