export { LearnedScreen } from './LearnedScreen';
