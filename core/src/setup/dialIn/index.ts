export {
  dialIn,
  handRange,
  handStep,
  nextDialIn,
  startDialIn,
  type DialInEvent,
  type DialInRange,
  type DialInSetup,
  type DialInState,
  type SprayedCard,
} from './dialIn';
export { dialInFor, type DialInChoices } from './fromCard';
export { readWidth, type WidthReading } from './width';
export { MOVES, movesFor, type Move, type MoveContext, type ThickSchool } from './moves';
export { CLUES, FAULTS, diagnose, type Clue, type Diagnosis, type Fault } from './diagnosis';
export {
  DRAWN_REACH,
  SEEN,
  drawPattern,
  patternProfile,
  typicalPattern,
  type PatternDrawing,
  type PatternShape,
  type Seen,
} from './pattern';
export { readPattern, type PatternFeatures, type PatternReading } from './readPattern';
