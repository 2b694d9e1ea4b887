export { GRAVITY } from './constants';
export * from './quantity';
export { capital, small } from './letters';
export { UNITS, of, to, type Unit } from './unit';
export {
  DISPLAY,
  counted,
  inUnit,
  numberText,
  otherSystem,
  roundedInUnit,
  show,
  showRange,
  showText,
  showWritten,
  showBeside,
  rangeBeside,
  unitOf,
  type DisplayKind,
  type Shown,
  type UnitSystem,
} from './display';
export { parseQuantity, within, type Bounds } from './parse';
export { accept, firstRefusal, refuse, type Accepted, type Refusal, type Result } from './refusal';
