/** The stored log as the core derives from it, as a reader sees it, and as files. */
export { LogFold, type OldJobs } from './fold';
export { boundJobs, jobsOf, oldJobFrom } from './oldJobs';
export { coreLog } from './coreLog';
export { knobAtPlace, knobOf, placeOf, type KnobKnown, type WrittenReading } from './knob';
export { picturesOf, type LoggedPicture } from './pictures';
export { compareProducts, productsOn, trialsOf, triedOn, type ProductTrials } from './trials';
export { contested, overruledAmong } from './contested';
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
export { journalSheet } from './journalSheet';
export { viscosityLines, viscositySheet, type ViscosityLine } from './viscositySheet';
export { logNames, type NamedRows } from './names';
export { entryWords, placeWords } from './words';
export { coatName, weatherWords, type LogNames } from '../entry';
