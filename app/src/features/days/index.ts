export { DaysScreen } from './DaysScreen';
