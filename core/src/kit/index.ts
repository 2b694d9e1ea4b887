export { FITTINGS, misfits, type Fitting, type Misfit, type RatedPart, type Rig } from './fit';
export { takeList, type DaySetup, type Owned, type TakeLine } from './takeList';
