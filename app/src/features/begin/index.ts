export { BeginScreen } from './BeginScreen';
