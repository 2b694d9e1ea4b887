export { JobScreen, JobSide } from './JobScreen';
export { JobStand, type LoadedJob } from './JobStand';
