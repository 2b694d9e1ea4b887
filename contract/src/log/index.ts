/** The stored log as the core derives from it, as a reader sees it, and as files. */
export { LogFold } from './fold';
export { coreLog } from './coreLog';
export {
  journal,
  journalLine,
  roughly,
  skewWords,
  unreadableWords,
  type JournalDay,
  type JournalFilter,
  type JournalLine,
  type JournalOptions,
} from './journal';
export { writeJournal, writeViscositySheet } from './journalCsv';
export { logNames, type NamedRows } from './names';
export { entryWords, placeWords } from './words';
export { coatName, weatherWords, type LogNames } from '../entry';
