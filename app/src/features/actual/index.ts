export { ActualScreen } from './ActualScreen';
