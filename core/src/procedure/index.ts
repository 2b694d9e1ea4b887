export {
  FLUIDS,
  FLUID_IDS,
  GO_BETWEEN_NOTE,
  UNKNOWN_NOTE,
  fluidNamed,
  fluidOfBase,
  flushSequence,
  mayMeet,
  type Fluid,
} from './fluids';
export { isRelieved, leftWith, resting, spraying, type Machine, type MachineSite } from './machine';
export { brokenBy, type Rule } from './rules';
export { fluidWord } from './actions';
export type { Procedure, ProcedureKind, ProcedureStep } from './steps';
export { heldBackBy, isStale, nextStep, tick, untick } from './progress';
export {
  clearClog,
  putGunDown,
  shutDown,
  startUp,
  takeUpGun,
  type AtMachine,
  type Ready,
  type ShutDown,
  type StartUp,
} from './procedures';
export { FINISH_FAULTS, FINISH_FAULT_IDS, type FinishFault, type FinishFaultId } from './finish';
export { TROUBLES, TROUBLE_IDS, curedFirst, type Remedy, type Trouble, type TroubleId } from './trouble';
