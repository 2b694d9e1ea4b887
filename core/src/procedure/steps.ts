import type { Action } from './actions';
import type { Fluid } from './fluids';
import type { Machine } from './machine';

export interface ProcedureStep {
  readonly id: string;
  readonly what: string;
  readonly why: string;
  /** What to do if what the step waits for does not come. */
  readonly doubt?: string | undefined;
  /** What is done to the machine, in its order. */
  readonly does: readonly Action[];
  /** How the machine stands once the step is done. */
  readonly state: Machine;
  /** Steps that must be done before it, because the other order hurts somebody or ruins the machine. */
  readonly after: readonly string[];
}

export type ProcedureKind = 'start-up' | 'shut-down' | 'ready' | 'pause' | 'clog';

export interface Procedure {
  readonly kind: ProcedureKind;
  readonly title: string;
  readonly steps: readonly ProcedureStep[];
  /** What is in the machine at its end. */
  readonly leaves: Fluid;
  /** What the list had to assume, said before its first step. */
  readonly assumes: readonly string[];
}
