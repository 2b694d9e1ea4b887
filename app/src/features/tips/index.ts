export { TipMapScreen } from './TipMapScreen';
export { TipNumber, type TipChoice } from './TipNumber';
