export { readGbxml } from './readGbxml';
