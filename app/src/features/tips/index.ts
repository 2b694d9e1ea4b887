export { TipMapScreen } from './TipMapScreen';
