export {
  FLUIDS,
  FLUID_IDS,
  GO_BETWEEN_NOTE,
  fluidOfBase,
  flushSequence,
  mayMeet,
  type Fluid,
} from './fluids';
export { SAFE, type MachineState } from './machine';
export type { Procedure, ProcedureKind, ProcedureStep } from './steps';
export { heldBackBy, nextStep, tick, untick } from './progress';
export { shutDown, startUp, type ShutDown, type StartUp } from './procedures';
export { TROUBLES, TROUBLE_IDS, type Remedy, type Trouble, type TroubleId } from './trouble';
