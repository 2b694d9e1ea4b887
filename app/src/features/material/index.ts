export { InTheSprayer } from './InTheSprayer';
