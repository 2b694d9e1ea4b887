export { JobFrame, type LoadedJob } from './JobFrame';
export { KeptTyped } from './KeptTyped';
export { BringingJob, LogFrame, goneAmong, useChosenJob } from './LogFrame';
