import { filmOfLaid } from '../film';
import type { Piece } from '../shape';
import { checkPiece } from '../shape';
import { accept, firstRefusal, refuse, within, type Length, type Result } from '../units';
import { layStroke } from './deposit';
import { sprayFan, type FanSettings } from './fan';
import { createGrid, maskOf, type WallGrid } from './grid';
import { filmStatistics, type FilmLimits, type FilmStatistics } from './statistics';
import { checkStroke, type Stroke } from './stroke';
import { startSimulation, type DepositMethod, type WallSimulation } from './wall';

/** A ground that is larger than it looks, or drinks. */
export interface Ground {
  /** True area over the area the gun sees. */
  readonly trueArea: number;
  /** What soaks in for an area the gun sees, m. */
  readonly soaks: number;
}

/** A whole simulation as plain data, so that a worker can be sent it. */
export interface SimulationJob {
  readonly width: Length;
  readonly height: Length;
  readonly cell: Length;
  readonly fan: FanSettings;
  readonly strokes: readonly Stroke[];
  readonly limits: FilmLimits;
  /** What the paint lands on; smooth, and nothing soaks in, where missing. */
  readonly ground?: Ground;
  /** Piece whose film counts; the whole grid where missing. What lands beside it is counted apart. */
  readonly piece?: Piece;
  readonly method?: DepositMethod;
}

export interface SimulationResult {
  readonly grid: WallGrid;
  readonly statistics: FilmStatistics;
  /** Where the paint went, m³: sprayed = onPiece + beside + overspray. */
  readonly paint: {
    readonly sprayed: number;
    readonly onPiece: number;
    readonly beside: number;
    readonly overspray: number;
  };
}

/** Paint in the cells of a piece, m³; in all cells where there is no mask. */
function paintOn({ film, cell }: WallGrid, mask: Uint8Array | undefined): number {
  let sum = 0;
  for (let index = 0; index < film.length; index += 1)
    if (!mask || mask[index] === 1) sum += film[index] as number;
  return sum * cell * cell;
}

/** What has landed becomes the film that is left on the true area once the ground has had its part. */
function settle({ film }: WallGrid, { trueArea, soaks }: Ground): void {
  for (let index = 0; index < film.length; index += 1)
    film[index] = filmOfLaid(trueArea, film[index] as number, soaks);
}

/** Strokes laid between two reports of progress. */
const BATCH = 4;

/** A job without its strokes: what a live film begins with. */
export type OpenJob = Omit<SimulationJob, 'strokes'>;

/** An unpainted wall for the strokes of a job. Refuses a fan, ground, piece or grid that is none. */
export function openJob(job: OpenJob): Result<WallSimulation> {
  const { flow, transferEfficiency, fan, pressureRatio } = job.fan;
  const failed = firstRefusal(
    within(flow, { min: 1e-7, max: 1e-3 }, 'flow', 'metric', 'fan.flow', 'Flow'),
    within(
      transferEfficiency,
      { min: 0.05, max: 1 },
      'percent',
      'metric',
      'fan.transferEfficiency',
      'Transfer efficiency',
    ),
    within(fan, { min: 1, max: 24 }, 'count', 'metric', 'fan.fan', 'Fan number'),
    within(
      pressureRatio,
      { min: 0.1, max: 3 },
      'factor',
      'metric',
      'fan.pressureRatio',
      'Pressure over the even-fan pressure',
    ),
    within(
      job.ground?.trueArea ?? 1,
      { min: 1, max: 10 },
      'factor',
      'metric',
      'ground.trueArea',
      'True area over flat',
    ),
    within(
      job.ground?.soaks ?? 0,
      { min: 0, max: 0.01 },
      'wetFilm',
      'metric',
      'ground.soaks',
      'What soaks in',
    ),
    ...(job.piece ? [checkPiece(job.piece)] : []),
  );
  if (failed) return failed;
  const grid = createGrid(job.width, job.height, job.cell);
  return grid.ok ? accept(startSimulation(grid.value, sprayFan(job.fan), job.method)) : grid;
}

/** Refuses strokes that the simulation cannot lay. */
function checkStrokes(strokes: readonly Stroke[]): Result<readonly Stroke[]> {
  if (strokes.length === 0) return refuse('strokes.none', 'strokes', 'There are no strokes to lay.');
  const failed = firstRefusal(...strokes.map((stroke, index) => checkStroke(stroke, `strokes.${index}`)));
  return failed ?? accept(strokes);
}

/**
 * What the film of a job came to. What has landed becomes the film that is left in place: a film that goes on is given as a copy.
 */
export function closeJob(simulation: WallSimulation, job: OpenJob): Result<SimulationResult> {
  const { grid, sprayed, landed, outside, overspray } = simulation;
  const mask = job.piece ? maskOf(grid, job.piece) : undefined;
  const onPiece = paintOn(grid, mask);
  if (job.ground) settle(grid, job.ground);
  const statistics = filmStatistics(grid, job.limits, mask);
  if (!statistics.ok) return statistics;
  return accept({
    grid,
    statistics: statistics.value,
    paint: { sprayed, onPiece, beside: landed - onPiece + outside, overspray },
  });
}

/**
 * Lays the strokes of a job, yielding the share done now and then so that the caller can report it, or stop by not
 * going on. The same job gives the same film to the last bit.
 */
export function* simulate(job: SimulationJob): Generator<number, Result<SimulationResult>, void> {
  const strokes = checkStrokes(job.strokes);
  if (!strokes.ok) return strokes;
  const started = openJob(job);
  if (!started.ok) return started;
  const simulation = started.value;
  for (let index = 0; index < job.strokes.length; index += 1) {
    const stroke = job.strokes[index];
    if (stroke) layStroke(simulation, stroke);
    if (index % BATCH === BATCH - 1) yield (index + 1) / job.strokes.length;
  }
  return closeJob(simulation, job);
}

/** Lays the strokes of a job to their end, for those who wait for it. */
export function simulateAll(job: SimulationJob): Result<SimulationResult> {
  const run = simulate(job);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
  }
}
