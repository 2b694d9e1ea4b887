export { CardSheetScreen } from './CardSheetScreen';
export { cardSheet } from './cardSheet';
