export { StandsScreen } from './StandsScreen';
