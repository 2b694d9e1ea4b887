export { CoatingScreen } from './CoatingScreen';
export { KitScreen } from './KitScreen';
export { LineChoice } from './LineChoice';
