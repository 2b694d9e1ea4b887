export { CoatingScreen } from './CoatingScreen';
export { KitScreen } from './KitScreen';
export { KitRowScreen } from './KitRowScreen';
export { rigMisfits } from './rig';
export { KnobMarks } from './KnobMarks';
export { LineChoice } from './LineChoice';
export { KIT_FORMS, NEW_COATING } from './forms';
