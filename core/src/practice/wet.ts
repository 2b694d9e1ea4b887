import { GRAVITY } from '../units';
import type { CellBox, WallSimulation } from '../simulation';
import type { PracticeTarget } from './target';

/**
 * Speed at which the skin of a film slides down a wall, m/s: u = ρ·g·(h − h₀)²/(2η), nothing up to the limit h₀ = τy/(ρ·g) that its yield
 * stress holds. A Bingham film on an upright plane (R. B. Bird, W. E. Stewart and E. N. Lightfoot, Transport Phenomena, 2nd ed.,
 * problem 2B.4 with 8.3); holds while the film is wet and thin against its width.
 */
export function slideSpeed(
  film: number,
  limit: number,
  { density, viscosity }: { readonly density: number; readonly viscosity: number },
): number {
  const over = film - limit;
  return over > 0 ? (density * GRAVITY * over * over) / (2 * viscosity) : 0;
}

/** How far a film has slid when an eye calls it a run, and the longest that is drawn, m (judgement). */
const RUN = { seen: 0.004, longest: 0.35 } as const;
/** Runs closer than this are one, m. */
const APART = 0.04;

/** A run, or a drip from a ceiling: where it began and how long it is, m. */
export interface Run {
  readonly x: number;
  readonly y: number;
  readonly length: number;
}

/** A cell is painted over a share of the least film: less is mist. */
const TOUCHED = 0.05;

/**
 * What time does to a film: where it slides once it is over its limit, and where a lap lies on an edge that has dried. It stands beside the
 * film and takes nothing from it: the account of the paint is that of the simulation.
 */
export class WetFilm {
  private readonly seen: Float64Array;
  private readonly laidAt: Float32Array;
  private readonly slid: Float32Array;
  private readonly isOver: Uint8Array;
  private readonly over: number[] = [];
  /** 1 where paint lies on an edge that had dried. */
  readonly laps: Uint8Array;
  private lapped = 0;
  private clock = 0;

  constructor(
    private readonly simulation: WallSimulation,
    private readonly target: PracticeTarget,
    /** What has to land for the least film, and for the sag limit. */
    private readonly laid: { readonly least: number; readonly sag: number },
    private readonly mask: Uint8Array,
  ) {
    const { length } = simulation.grid.film;
    this.seen = new Float64Array(length);
    this.laidAt = new Float32Array(length);
    this.slid = new Float32Array(length);
    this.isOver = new Uint8Array(length);
    this.laps = new Uint8Array(length);
  }

  /** Cells that laps show on, as a share of the piece is worked out of. */
  get lapCells(): number {
    return this.lapped;
  }

  /** Looks at cells on which something may have landed. */
  look({ left, right, bottom, top }: CellBox, now: number): void {
    const { film, columns } = this.simulation.grid;
    const { seen, laidAt, isOver, laps, mask } = this;
    const mist = TOUCHED * this.laid.least;
    for (let row = bottom; row <= top; row += 1)
      for (let index = row * columns + left, end = row * columns + right; index <= end; index += 1) {
        const here = film[index] as number;
        const before = seen[index] as number;
        if (here - before < mist && here < this.laid.sag) continue;
        const dried = before > mist && now - (laidAt[index] as number) > this.target.openTime;
        if (dried && mask[index] === 1 && laps[index] === 0) {
          laps[index] = 1;
          this.lapped += 1;
        }
        if (here > before) laidAt[index] = now;
        seen[index] = here;
        if (here > this.laid.sag && isOver[index] === 0 && mask[index] === 1) {
          isOver[index] = 1;
          this.over.push(index);
        }
      }
  }

  /** Lets time pass until a moment: what is over its limit slides while it is wet. */
  pass(now: number): void {
    const seconds = now - this.clock;
    this.clock = now;
    if (!(seconds > 0)) return;
    const { film } = this.simulation.grid;
    const { paint, wall, openTime } = this.target;
    const trueArea = wall.job.ground?.trueArea ?? 1;
    for (const index of this.over) {
      const wet = Math.min(seconds, openTime - (now - seconds - (this.laidAt[index] as number)));
      if (!(wet > 0)) continue;
      const over = ((film[index] as number) - this.laid.sag) / trueArea;
      this.slid[index] = (this.slid[index] as number) + slideSpeed(over, 0, paint) * wet;
    }
  }

  /** Runs that can be seen now, the longest first; of those side by side the longest. */
  runs(): readonly Run[] {
    const { columns, cell } = this.simulation.grid;
    const of = new Map<number, Run>();
    for (const index of this.over) {
      const length = this.slid[index] as number;
      if (length < RUN.seen) continue;
      const column = index % columns;
      const run = {
        x: (column + 0.5) * cell,
        y: ((index - column) / columns + 0.5) * cell,
        length: Math.min(RUN.longest, length),
      };
      const place = Math.round(run.x / APART) * 10_000 + Math.round(run.y / (5 * APART));
      if ((of.get(place)?.length ?? 0) < length) of.set(place, run);
    }
    return [...of.values()].sort((a, b) => b.length - a.length);
  }
}
