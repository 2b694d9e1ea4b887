export { JobStand, type LoadedJob } from './JobStand';
