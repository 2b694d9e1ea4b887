export { JobScreen, JobSide } from './JobScreen';
