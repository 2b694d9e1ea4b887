export * from './primitives';
export * from './problem';
export * from './kit';
export * from './book';
export * from './changes';
export * from './entry';
export * from './standIn';
export * from './job';
export * from './place';
export { ARCHIVE, archiveHead, type ArchiveHead } from './archive';
export {
  CALENDAR_KINDS,
  CALENDARS_PER_JOB,
  calendarLinks,
  newCalendarLink,
  type CalendarKind,
  type CalendarLink,
  type NewCalendarLink,
} from './calendars';
export { withPricesOf, withoutPrices } from './money';
export * from './passkeys';
export * from './people';
export * from './roles';
export * from './system';
export * from './tombstone';
export * from './files';
export * from './offer';
export * from './schedule';
export { VALID_DAYS } from './offerParts';
export * from './oldJobs';
export * from './paper';
export * from './pictures';
export type { Operation } from './operation';
export { ALL_OPERATIONS, SINGLE_OPERATIONS, health } from './operations';
export {
  documentNaming,
  idsAt,
  unreadable,
  type Fixed,
  type PageQuery,
  type Reference,
  type Unreadable,
} from './resource';
export {
  BATCH_LIMIT,
  RESOURCES,
  RESOURCE_NAMES,
  batch,
  type BatchWrite,
  type Changing,
  type Contents,
  type Deletion,
  type OfJob,
  type ResourceName,
  type Rows,
} from './resources';
export { coreCoating, coreCoatings, setupRequest, type SetupRows } from './setupRequest';
export { coreTip, ownedTips } from './tip';
