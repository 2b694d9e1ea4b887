import { contains, type Piece } from '../shape';
import { simulateAll, type SimulationResult } from '../simulation';
import { accept, type Result } from '../units';
import { ARM } from '../passes';
import { momentsOf } from './live';
import { checkRecording, jobOf, lastsOf, plannedRecording, type Recording } from './recording';
import type { PracticeTarget } from './target';

/** What a film is judged by, in the order it is said. */
export const JUDGED = ['mean', 'evenness', 'thin', 'sag', 'missed', 'beside', 'triggers', 'time'] as const;
export type Judged = (typeof JUDGED)[number];

/** A figure of a film as it is judged. */
export interface Mark {
  readonly of: Judged;
  /** The figure, and that of the planned passes. */
  readonly value: number;
  readonly planned: number;
  /** Points of a hundred that it costs. */
  readonly costs: number;
}

/** How a practice went, by its film. */
export interface Score {
  /** 0 to 100; the planned passes have 100. */
  readonly points: number;
  readonly marks: readonly Mark[];
  readonly result: SimulationResult;
}

/** The figures a film is judged by. */
type Figures = Readonly<Record<Judged, number>>;

/**
 * How much worse than the planned passes a figure is when it costs 63 % of what is left (1 − 1/e). A judgement, set so that a usual hand has
 * about seven tenths: a mean film six tenths off, a variation of 60 points more, all of the piece thin, and so on weigh alike.
 */
const WEIGHS: Figures = {
  mean: 0.6,
  evenness: 0.6,
  thin: 1,
  sag: 0.6,
  missed: 0.12,
  beside: 0.6,
  triggers: 3,
  time: 4,
};

/** Times the trigger was pulled or let go with the gun over the piece, for each planned pass. */
function triggersOnPiece({ wall }: PracticeTarget, recording: Recording): number {
  const on = (piece: Piece, x: number, y: number) =>
    contains(piece.outline, { x, y }) && !piece.openings.some((opening) => contains(opening, { x, y }));
  let pulled = false;
  let count = 0;
  for (const { gun, trigger } of momentsOf(recording)) {
    if (trigger !== pulled && on(wall.piece, gun.x, gun.y)) count += 1;
    pulled = trigger;
  }
  return count / Math.max(1, wall.plan.passes.length);
}

function figuresOf(target: PracticeTarget, recording: Recording, result: SimulationResult): Figures {
  const { statistics, paint, grid } = result;
  const area = statistics.cells * grid.cell * grid.cell;
  return {
    mean: statistics.mean / target.wanted,
    evenness: statistics.variation,
    thin: statistics.shareUnderMinimum,
    sag: statistics.shareOverSag,
    missed: statistics.holidays.reduce((sum, { area: one }) => sum + one, 0) / area,
    beside: paint.sprayed > 0 ? paint.beside / paint.sprayed : 0,
    triggers: triggersOnPiece(target, recording),
    time: lastsOf(recording) / Math.max(1, target.wall.plan.gunTime),
  };
}

/** How much worse a figure is than the planned one: a mean film either way, anything else where it is more. */
function worse(of: Judged, value: number, planned: number): number {
  return of === 'mean' ? Math.abs(value - planned) : Math.max(0, value - planned);
}

/** What the planned passes come to: what a film is held against. */
export interface Yardstick {
  readonly figures: Figures;
  readonly result: SimulationResult;
}

/** Lays all strokes of a recording. Refuses one that cannot be. */
export function laid(target: PracticeTarget, recording: Recording): Result<SimulationResult> {
  const checked = checkRecording(recording);
  return checked.ok ? simulateAll(jobOf(target, recording)) : checked;
}

export function yardstickOf(target: PracticeTarget): Result<Yardstick> {
  const planned = plannedRecording(target, ARM.moving);
  const result = laid(target, planned);
  if (!result.ok) return result;
  return accept({ figures: figuresOf(target, planned, result.value), result: result.value });
}

/**
 * The score of a film that was laid: 100·exp(−Σ what each figure is worse than the planned passes' over what it weighs). It is judged by
 * the film and not by the way of the gun; each figure says how many points it costs.
 */
export function scoreOf(
  target: PracticeTarget,
  recording: Recording,
  result: SimulationResult,
  { figures: planned }: Yardstick,
): Score {
  const figures = figuresOf(target, recording, result);
  const worth = JUDGED.map((of) => worse(of, figures[of], planned[of]) / WEIGHS[of]);
  const sum = worth.reduce((all, one) => all + one, 0);
  const points = 100 * Math.exp(-sum);
  return {
    points,
    result,
    marks: JUDGED.map((of, index) => ({
      of,
      value: figures[of],
      planned: planned[of],
      costs: sum > 0 ? ((100 - points) * (worth[index] as number)) / sum : 0,
    })),
  };
}

/** The same from the strokes. */
export function scored(target: PracticeTarget, recording: Recording, yardstick: Yardstick): Result<Score> {
  const result = laid(target, recording);
  return result.ok ? accept(scoreOf(target, recording, result.value, yardstick)) : result;
}
