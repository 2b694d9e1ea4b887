export { JobList } from './JobList';
