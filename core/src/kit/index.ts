export { CORD_LIMITS, cordFor, type CordAdvice } from './cord';
export { FITTINGS, misfits, type Fitting, type Misfit, type RatedPart, type Rig } from './fit';
export { takeList, type DayMachine, type DaySetup, type Owned, type TakeLine } from './takeList';
