export { PhotoAnswer } from './PhotoAnswer';
