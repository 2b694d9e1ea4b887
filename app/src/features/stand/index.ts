export { JobStand, type LoadedJob } from './JobStand';
export { LogStand, useChosenJob } from './LogStand';
