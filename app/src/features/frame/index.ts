export { JobFrame, type LoadedJob } from './JobFrame';
export { LogFrame, useChosenJob } from './LogFrame';
