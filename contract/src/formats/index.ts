export { buyListSheet, readBuyList, type BuyLine } from './buyListCsv';
export { BYTES_LIMIT, csvOf, readTable } from './csv';
export { daysSheet, type DayRow } from './daysSheet';
export { readGbxml } from './gbxml';
export {
  OFFER_LINES,
  offerLines,
  offerSheet,
  readOffer,
  type OfferLine,
  type OfferLineKind,
} from './offerCsv';
export { ISSUES_SHOWN, refuseFile, type FileIssue, type FileRead } from './issue';
export { asCopy, jobFileOf, readJob, writeJob, type JobFileContext } from './jobJson';
export { newestJob } from './olderJob';
export {
  TAKEOFF_COLUMNS,
  readTakeoff,
  takeoffSheet,
  type TakeoffContext,
  type TakeoffSurface,
} from './takeoffCsv';
export {
  CSV_STYLES,
  type Cell,
  type CsvStyle,
  type CsvStyleName,
  type Sheet,
  type SheetColumn,
} from './sheet';
