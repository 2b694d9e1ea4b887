export { TakeScreen } from './TakeScreen';
