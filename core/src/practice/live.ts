import {
  between,
  boxOfFan,
  closeJob,
  layMove,
  maskOf,
  openJob,
  type CellBox,
  type SimulationResult,
  type Stroke,
  type TimedPoint,
  type WallSimulation,
} from '../simulation';
import { accept, type Result } from '../units';
import { RECORDING_LIMITS, type Recording } from './recording';
import { laidFor, type PracticeTarget } from './target';
import { WetFilm, type Run } from './wet';

/** Moves with the trigger closed are kept no finer than this, s. */
const COARSE = 0.1;
/** A pointer is asked so often; what comes closer is one, s. */
const FINEST = 1e-4;

/**
 * A film that is laid while somebody sprays. What it shows is what the simulation lays of the recorded strokes, by the same moves; paint
 * sprayed = on the piece + beside it + lost in the air, at every moment.
 */
export class LiveFilm {
  /** Film as it has landed, cell by cell, and where all paint went. */
  readonly simulation: WallSimulation;
  /** 1 for cells of the piece. */
  readonly mask: Uint8Array;
  readonly wet: WetFilm;
  /** What has to land for the least film, for the film wanted, and for the sag limit, m. */
  readonly laid: { readonly least: number; readonly wanted: number; readonly sag: number };
  private readonly done: Stroke[] = [];
  private points: TimedPoint[] = [];
  private openedAt: number | undefined;
  private kept = 0;

  private constructor(
    readonly target: PracticeTarget,
    simulation: WallSimulation,
  ) {
    const { limits, piece } = target.wall.job;
    this.simulation = simulation;
    this.mask = maskOf(simulation.grid, piece ?? target.wall.piece);
    this.laid = {
      least: laidFor(target, limits.minimum),
      wanted: laidFor(target, target.wanted),
      sag: laidFor(target, limits.sagLimit),
    };
    this.wet = new WetFilm(simulation, target, this.laid, this.mask);
  }

  /** An unpainted piece. Refuses what the simulation refuses. */
  static begin(target: PracticeTarget): Result<LiveFilm> {
    const opened = openJob(target.wall.job);
    return opened.ok ? accept(new LiveFilm(target, opened.value)) : opened;
  }

  /** Whether the trigger is pulled. */
  get isOpen(): boolean {
    return this.openedAt !== undefined;
  }

  /** Whether nothing more can be recorded: what was sprayed until then stays. */
  get isFull(): boolean {
    return this.kept >= RECORDING_LIMITS.points || this.done.length >= RECORDING_LIMITS.strokes;
  }

  /**
   * The gun is at a place at a moment, the trigger pulled or not from here on. Moments that do not run forwards are left out.
   * @returns the cells on which something may have landed
   */
  move(gun: TimedPoint, trigger: boolean): CellBox | undefined {
    const last = this.points.at(-1);
    // What comes at one moment with the last is that: a trigger is pulled or let go where the gun is.
    const here = last && gun.time - last.time < FINEST ? last : gun;
    if (last && gun.time < last.time - FINEST) return undefined;
    let box: CellBox | undefined;
    if (last && here !== last) {
      if (this.isOpen) {
        layMove(this.simulation, last, here, here.time - last.time);
        box = both(boxOfFan(this.simulation, last), boxOfFan(this.simulation, here));
        this.wet.look(box, here.time);
      }
      this.keep(here);
    } else if (!last) this.keep(here);
    if (trigger && !this.isOpen && !this.isFull) this.openedAt = here.time;
    else if (!trigger && this.isOpen) this.close(here);
    else if (this.isOpen && this.isFull) this.close(here);
    return box;
  }

  /** The gun is taken away: the trigger closes where it was last. */
  lift(): void {
    const last = this.points.at(-1);
    if (last && this.isOpen) this.close(last);
    this.points = [];
  }

  /** Lets time pass until a moment. */
  pass(now: number): void {
    this.wet.pass(now);
  }

  runs(): readonly Run[] {
    return this.wet.runs();
  }

  /** What was sprayed so far; a stroke that is still being sprayed up to now. */
  recording(): Recording {
    const last = this.points.at(-1);
    const { openedAt: open } = this;
    if (open === undefined || !last || last.time <= open) return { strokes: [...this.done] };
    return { strokes: [...this.done, { points: [...this.points], triggers: [{ open, close: last.time }] }] };
  }

  /** What the film has come to, as the batch simulation of the recording says it. */
  result(): Result<SimulationResult> {
    const { grid } = this.simulation;
    return closeJob({ ...this.simulation, grid: { ...grid, film: grid.film.slice() } }, this.target.wall.job);
  }

  private keep(gun: TimedPoint): void {
    const [before, last] = [this.points.at(-2), this.points.at(-1)];
    // Of moves with the trigger closed the way is enough.
    const between = !this.isOpen && before && last && last.time - before.time < COARSE;
    if (between) this.points[this.points.length - 1] = gun;
    else {
      this.points.push(gun);
      this.kept += 1;
    }
  }

  private close(at: TimedPoint): void {
    const { openedAt: open } = this;
    this.openedAt = undefined;
    if (open !== undefined && at.time > open)
      this.done.push({ points: this.points, triggers: [{ open, close: at.time }] });
    this.points = [at];
  }
}

const both = (a: CellBox, b: CellBox): CellBox => ({
  left: Math.min(a.left, b.left),
  right: Math.max(a.right, b.right),
  bottom: Math.min(a.bottom, b.bottom),
  top: Math.max(a.top, b.top),
});

/** A moment of a recording: where the gun is, and whether the trigger is pulled from then on. */
export interface Moment {
  readonly gun: TimedPoint;
  readonly trigger: boolean;
}

/** A recording moment by moment: the places of the gun, and where it was when the trigger was pulled or let go. */
export function momentsOf({ strokes }: Recording): readonly Moment[] {
  return strokes.flatMap(({ points, triggers }) => {
    const isOpenAt = (time: number) => triggers.some(({ open, close }) => time >= open && time < close);
    const changes = triggers.flatMap(({ open, close }) => [open, close]);
    const between = points.flatMap((point, index) => {
      const before = points[index - 1];
      const inside = before ? changes.filter((time) => time > before.time && time < point.time) : [];
      const at = inside.sort((a, b) => a - b).map((time) => gunAt(before as TimedPoint, point, time));
      return [...at, point];
    });
    return between.map((gun) => ({ gun, trigger: isOpenAt(gun.time) }));
  });
}

const gunAt = (a: TimedPoint, b: TimedPoint, time: number): TimedPoint => ({
  ...between(a, b, (time - a.time) / (b.time - a.time)),
  time,
});

/** Goes on with a film over moments from one to before another: what lies between is laid as it was. */
export function replay(film: LiveFilm, moments: readonly Moment[], from = 0, to = moments.length): void {
  for (let index = from; index < to; index += 1) {
    const moment = moments[index];
    if (!moment) continue;
    film.pass(moment.gun.time);
    film.move(moment.gun, moment.trigger);
  }
}

/** The film of a recording at a moment of it. */
export function filmUntil(target: PracticeTarget, recording: Recording, until: number): Result<LiveFilm> {
  const begun = LiveFilm.begin(target);
  if (!begun.ok) return begun;
  const moments = momentsOf(recording);
  const after = moments.findIndex(({ gun }) => gun.time > until);
  replay(begun.value, moments, 0, after < 0 ? moments.length : after);
  begun.value.pass(until);
  return begun;
}
