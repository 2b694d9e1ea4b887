export { ClocksScreen } from './ClocksScreen';
