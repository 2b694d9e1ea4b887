export { openTimeAt, practiceTarget, targetOf, type PracticeTarget, type WetPaint } from './target';
export {
  RECORDING_LIMITS,
  checkRecording,
  jobOf,
  lastsOf,
  plannedRecording,
  type Recording,
} from './recording';
export { slideSpeed, type Run } from './wet';
export { LiveFilm, filmUntil, momentsOf, replay, type Moment } from './live';
export {
  JUDGED,
  laid,
  scoreOf,
  scored,
  yardstickOf,
  type Judged,
  type Mark,
  type Score,
  type Yardstick,
} from './score';
export {
  CORRECTIONS,
  advise,
  openWay,
  withCorrection,
  type Advice,
  type Corrected,
  type Correction,
} from './advice';
export { NO_FAULTS, learnersHand, sprayedBy, usualHand, type Faults } from './hands';
export {
  PRACTICE_PIECES,
  PRACTICE_PIECE_IDS,
  practiceRequest,
  type PracticePiece,
  type PracticePieceId,
} from './pieces';
export { HOUSE_CELLS, handFilm, handJob, wrongShare, type HandFilm } from './house';
export { follow, swing, type Body } from './wrist';
export { MARK_NAMES, MARK_REASONS, adviceText, filmText, littleText, markText } from './words';
export {
  SKILLS,
  SKILL_IDS,
  allDrills,
  sceneText,
  type Draw,
  type Drill,
  type Question,
  type Scene,
  type Shown,
  type Skill,
} from './drills';
export { workSays, type FilmRead, type WorkSays } from './work';
export { cardTried, triedOf, type Tried } from './whatIf';
export { cutThrough, type CutPoint } from './cut';
