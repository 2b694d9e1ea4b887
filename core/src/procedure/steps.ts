import type { Fluid } from './fluids';
import type { MachineState } from './machine';

export interface ProcedureStep {
  readonly id: string;
  readonly what: string;
  readonly why: string;
  /** How the machine stands once the step is done. */
  readonly state: MachineState;
  /** Steps that must be done before it, because the other order hurts somebody or ruins the machine. */
  readonly after: readonly string[];
}

export type ProcedureKind = 'start-up' | 'shut-down';

export interface Procedure {
  readonly kind: ProcedureKind;
  readonly title: string;
  readonly steps: readonly ProcedureStep[];
  /** What is in the machine at its end. */
  readonly leaves: Fluid;
}
