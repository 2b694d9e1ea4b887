export { AnswerStrip } from './AnswerStrip';
export { SetupCardView, type CardPart } from './SetupCardView';
export { WhySheet } from './WhySheet';
export { useCardAhead, useSetup } from './useSetup';
export { useWhy } from './useWhy';
export { familyName, laterStroke, strokeText } from './words';
