export { TableScreen } from './TableScreen';
export { NewJobScreen } from './NewJobScreen';
export { JobScreen, JobSide } from './JobScreen';
