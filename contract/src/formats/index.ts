export { readBuyList, writeBuyList, type BuyLine } from './buyListCsv';
export { BYTES_LIMIT, readTable, writeCsv } from './csv';
export { writeDays, type DayRow } from './daysCsv';
export { readGbxml } from './gbxml';
export {
  OFFER_LINES,
  offerLines,
  readOffer,
  writeOffer,
  type OfferLine,
  type OfferLineKind,
} from './offerCsv';
export { ISSUES_SHOWN, refuseFile, type FileIssue, type FileRead } from './issue';
export { asCopy, jobFileOf, jobFileSchema, readJob, writeJob, type JobFileContext } from './jobJson';
export {
  TAKEOFF_COLUMNS,
  readTakeoff,
  writeTakeoff,
  type TakeoffContext,
  type TakeoffSurface,
} from './takeoffCsv';
