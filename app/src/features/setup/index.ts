export { AnswerStrip } from './AnswerStrip';
export { SetupCardView, type CardPart } from './SetupCardView';
export { WhySheet } from './WhySheet';
export { requestFor, useKit, useSetup, type Kit, type SetupJob, type SetupSurface } from './useSetup';
export { familyName } from './words';
