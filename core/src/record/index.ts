export {
  currentEntries,
  entriesOf,
  type CoatFinished,
  type CombLogged,
  type DryGauge,
  type EntryHead,
  type EntryKind,
  type FanMeasured,
  type LogEntry,
  type SetupConfirmed,
  type Sprayed,
  type TipFitted,
  type TipRetired,
  type ViscosityLogged,
} from './entries';
export { filmAchieved, wetByCoat, type FilmAchieved } from './film';
export { recoatClocks, type RecoatClock, type RecoatState } from './clocks';
export { litresBySurface, tipRecords, type TipRecord } from './use';
export {
  historyFor,
  learnedPressure,
  learnedSlopes,
  learnedTransfer,
  type HistoryQuery,
  type Learned,
} from './history';
export { learnedInput, learnedValue } from './learn';
