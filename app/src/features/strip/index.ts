export { Strip } from './Strip';
