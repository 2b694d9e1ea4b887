export { CARE, CARES, LONGEST_COAT, RELIEVE_AFTER, SAID_DRY_FOR, SAME_DAY, type Care } from './care';
export {
  JUDGED,
  JUDGED_NAMES,
  MEASURES,
  MEASURE_NAMES,
  compareTrials,
  type Compared,
  type Judged,
  type Measure,
} from './trials';
export { WAYS_OUT } from './entries';
export { PAINT_HOLDS_FOR, thinnerInGun } from './inGun';
export type {
  CoatFinished,
  CombLogged,
  EntryHead,
  EntryKind,
  EntryOf,
  FanMeasured,
  LogEntry,
  SetupConfirmed,
  Sprayed,
  Worked,
} from './entries';
export {
  digestedRecord,
  joinRecords,
  readRecord,
  type CoatRecord,
  type Digested,
  type SiteRecord,
} from './sheet';
export { DIGEST_VERSION, type JobDigest, type PieceOfWork } from './digest';
export { digestOf, workKey } from './readings';
export { filmAchieved, type FilmAchieved } from './film';
export {
  nowAndNext,
  recoatClocks,
  type CoatToDo,
  type Moment,
  type NowAndNext,
  type RecoatClock,
  type RecoatState,
} from './clocks';
export { thinCoats, type ThinCoat } from './thin';
export { unboxedBatches } from './batches';
export { timeWorked, type DayOf } from './days';
export { tipRecords, type TipFan, type OwnedTip, type WearAdvice, type TipRecord } from './tips';
export { jobOfPaint, type JobsOfPaint } from './paint';
export {
  BESIDE_PLAN,
  CAUSES,
  causesOf,
  comparePlan,
  nextCoats,
  type BesidePlan,
  type Cause,
  type CoatCompared,
  type CoatingCompared,
  type PlannedCoat,
} from './actual';
export {
  evenFansFrom,
  historyFor,
  learnedCup,
  learnedMinutes,
  learnedPressure,
  learnedSpeed,
  learnedThinning,
  learnedTransfer,
  lessons,
  timesFrom,
  transferFrom,
  worksOf,
  type HistoryQuery,
  type Learned,
  type LearnedKind,
  type Lesson,
  type ReadingBehind,
} from './history';
export { learnedInput, learnedValue, type LearnedValue, type Spread } from './learn';
