export { Findings } from './Findings';
export { DaysScreen } from './DaysScreen';
export { dryAt } from './boardScale';
export { Changes } from './Changes';
export { chanceText } from './PlanAnswer';
export {
  clockText,
  dayText,
  fieldsOf,
  midnightOf,
  minuteOf,
  momentBeside,
  namesOf,
  shortMoment,
} from './schedule';
export { DAYS_FAILED } from './useDays';
export { useFollowed, useWholeJob } from './useFollowed';
export { useKnownSchedule } from './useSchedule';
