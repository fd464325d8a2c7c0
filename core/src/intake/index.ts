/** Lists and sheets of others: recognising families, taking in figures. */
export type { AddressedPicture } from './importPlan/pictureAddresses';
export { planList, singleAsFamily } from './importPlan/planList';
export { type Become, LIST_VERDICTS, type ListRow, type ListVerdict } from './importPlan/shape';
export type { HeldFamily, Shelves } from './importPlan/shelves';
export { type BlockFamily, blockFamily } from './blockFamily';
export { type ClipReading, readClip } from './clip';
export { sheetFields } from './columns';
export { ListReportSchema, listReport } from './families/listReport';
export { type ListReading, readList } from './families/readList';
export { type ListSettlement, ListSettlementSchema, NO_SETTLEMENT } from './families/settlement';
export { MENDED_CODES } from './families/shape';
export {
  accountsMissingText,
  bringsText,
  doubtText,
  listProblemText,
  mendedText,
  partsRefusedText,
  picturesMissingText,
  whyText,
} from './listText';
export { liveTable } from './liveTable';
export { type RowVerdict, readSheet, sheetRows } from './readSheet';
export { familyRows } from './rows';
export { goOn } from './series';
export { openHeaders } from './table/headerWords';
export {
  ACROSS_KEYS,
  type AcrossKey,
  type ListMapping,
  ListMappingSchema,
  type Meaning,
  MeaningSchema,
  NO_MAPPING,
  type Table,
} from './table/shape';
export { type SheetTaken, takeReading } from './takeReading';
