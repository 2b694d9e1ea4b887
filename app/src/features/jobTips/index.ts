export { JobTipsScreen } from './JobTipsScreen';
