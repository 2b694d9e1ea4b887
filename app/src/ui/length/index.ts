export { LengthEntry, useLengthEntry } from './entry';
export { LengthField } from './LengthField';
export { LengthPad } from './LengthPad';
