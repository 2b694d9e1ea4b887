export { KnobScreen } from './KnobScreen';
export { KnobPlaceChoice } from './KnobPlaceChoice';
export { knobHint, useKnob } from './useKnob';
