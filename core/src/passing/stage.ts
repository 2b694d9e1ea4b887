import type { PassSettings, PlannedPass } from '../passes';
import type { Piece } from '../shape';
import type { Element, SurfaceKind } from '../takeoff';
import type { RollingCrew } from './stretches';

export const DOORS = ['racked', 'hung'] as const;
/** Leaves in the rack, or a door sprayed where it hangs. */
export type DoorStands = (typeof DOORS)[number];

/** Passes that are done in one go, with what the hand does differently from those before. */
export interface LaidStage {
  readonly name: string;
  /** Sentences: how the gun is held and moved. */
  readonly how: readonly string[];
  /** What is done before its first pass, and how long it takes where that is known, s. */
  readonly before?: { readonly text: string; readonly time?: number };
  readonly pieces: readonly Piece[];
  /** What they are a part of: drawn around them. */
  readonly whole?: Piece;
  readonly passes: readonly PlannedPass[];
  /** So many alike are done so, one after the other. */
  readonly alike: number;
}

/** How a surface is passed: what decides besides its card. */
export interface PassingOptions {
  /** Which coat: 0 is the first. */
  readonly coat: number;
  readonly doors: DoorStands;
  readonly crew: RollingCrew;
  /** The first coat is rolled into the ground. */
  readonly rolled: boolean;
}

export interface Ground extends PassingOptions {
  readonly element: Element;
  readonly kind: SurfaceKind;
  readonly settings: PassSettings;
}

/** Width of a casing nobody has measured, m. */
export const USUAL_CASING = 0.07;

export const UPRIGHT = 'Fan upright: passes go from side to side.';
export const LEVEL = 'Tip turned a quarter, fan level: passes go up and down.';
export const COURSE = 'Move before the trigger, let go before the stop, off the piece at both ends.';

/** How the fan stands to passes of a direction. */
export function fanWords(passes: readonly PlannedPass[]): string {
  const first = passes[0];
  if (!first) return UPRIGHT;
  return Math.abs(first.to.y - first.from.y) > Math.abs(first.to.x - first.from.x) ? LEVEL : UPRIGHT;
}
