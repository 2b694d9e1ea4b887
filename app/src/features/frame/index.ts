export { JobFrame, type LoadedJob } from './JobFrame';
export { BringingJob, LogFrame, useChosenJob } from './LogFrame';
