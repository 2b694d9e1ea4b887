export { JobList } from './JobList';
export { JobScreen, JobSide } from './JobScreen';
