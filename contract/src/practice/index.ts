export {
  LEARNER_LIMITS,
  NOTHING_LEARNED,
  itemCard,
  practice,
  practiceFields,
  type ItemCard,
  type Practice,
  type PracticeFields,
} from './learner';
export {
  STROKES_FORMAT,
  STROKES_VERSION,
  readStrokes,
  strokesFile,
  writeStrokes,
  type StrokesFile,
} from './strokesFile';
export { steppedPoint } from './steps';
