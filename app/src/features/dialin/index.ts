export { DialInScreen } from './DialInScreen';
export { PatternPicture } from './PatternTile';
