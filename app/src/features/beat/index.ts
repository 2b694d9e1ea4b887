export { BeatScreen } from './BeatScreen';
