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
  /** 1 where a cell is among those that slide. */
  private readonly slides: Uint8Array;
  /** Cells over their limit, as long as they are wet. */
  private readonly sliding: number[] = [];
  /** The longest run of each place. */
  private readonly longest = new Map<number, Run>();
  private sorted: readonly Run[] | undefined = [];
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
    this.slides = new Uint8Array(length);
    this.laps = new Uint8Array(length);
  }

  /** Cells that laps show on, as a share of the piece is worked out of. */
  get lapCells(): number {
    return this.lapped;
  }

  /** Looks at cells on which something may have landed. */
  look({ left, right, bottom, top }: CellBox, now: number): void {
    const { film, columns } = this.simulation.grid;
    const { seen, laidAt, slides, laps, mask } = this;
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
        if (here > this.laid.sag && slides[index] === 0 && mask[index] === 1) {
          slides[index] = 1;
          this.sliding.push(index);
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
    let still = 0;
    for (const index of this.sliding) {
      const wet = Math.min(seconds, openTime - (now - seconds - (this.laidAt[index] as number)));
      if (!(wet > 0)) {
        // Dried: it slides again when more paint comes on it.
        this.slides[index] = 0;
        continue;
      }
      this.sliding[still] = index;
      still += 1;
      const over = ((film[index] as number) - this.laid.sag) / trueArea;
      const slid = (this.slid[index] as number) + slideSpeed(over, 0, paint) * wet;
      this.slid[index] = slid;
      if (slid >= RUN.seen) this.keep(index, Math.min(RUN.longest, slid));
    }
    this.sliding.length = still;
  }

  /** Keeps a run that has come so far, where it is the longest of its place. */
  private keep(index: number, length: number): void {
    const { columns, cell } = this.simulation.grid;
    const column = index % columns;
    const [x, y] = [(column + 0.5) * cell, ((index - column) / columns + 0.5) * cell];
    const place = Math.round(x / APART) * 10_000 + Math.round(y / (5 * APART));
    if ((this.longest.get(place)?.length ?? 0) >= length) return;
    this.longest.set(place, { x, y, length });
    this.sorted = undefined;
  }

  /** Runs that can be seen now, the longest first; of those side by side the longest. The same list as long as none has grown. */
  runs(): readonly Run[] {
    this.sorted ??= [...this.longest.values()].sort((a, b) => b.length - a.length);
    return this.sorted;
  }
}
