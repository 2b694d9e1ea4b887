export { CoatingScreen } from './CoatingScreen';
export { KitScreen } from './KitScreen';
