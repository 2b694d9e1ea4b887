import { steppedPoint } from '@fine-spray/contract/practice';
import { onPass } from '@fine-spray/core/passing';
import {
  filmUntil,
  openWay,
  type LiveFilm,
  type PracticeTarget,
  type Recording,
} from '@fine-spray/core/practice';
import type { CellBox, TimedPoint } from '@fine-spray/core/simulation';
import { wantsStill } from '@/ui/motion';
import type { Palette } from '@/ui/theme/theme';
import { fitted } from './FilmCanvases';
import { drawMoving, drawStanding, nearestPass, nextPass, type Sheet } from './drawGun';
import { Forwards } from './forwards';
import { Gun, type Hold, type Place } from './gun';
import { paintCells, tonesOf, wholeBox, type FilmTones } from './paintFilm';

/** What pulls the trigger of a finger: its touching, or a second one. */
export type TriggerBy = 'finger' | 'second';

/** How somebody sprays: what sliders and switches say. */
export interface Ways extends Hold {
  readonly triggerBy: TriggerBy;
  readonly ghost: boolean;
}

/** What is drawn on, the lowest first. */
export interface Canvases {
  /** A pixel for each cell. */
  readonly film: HTMLCanvasElement;
  /** Outline, planned passes and runs: drawn when one of them changes. */
  readonly standing: HTMLCanvasElement;
  /** The fan: drawn for each picture. */
  readonly moving: HTMLCanvasElement;
}

/** What the screen hears. */
export interface Heard {
  /** Speed now, m/s; nothing while no gun is there. */
  readonly onSpeed: (speed: number | undefined) => void;
  /** So many strokes are there; the last one was that fast on the way it was open, m/s. */
  readonly onStrokes: (count: number, speed: number | undefined) => void;
  /** Nothing more is recorded. */
  readonly onFull: () => void;
  /** Two fingers, or the wheel, ask for another distance, as a factor. */
  readonly onDistance: (factor: number) => void;
}

/** A finger hides what is under it: the gun is so far above it, CSS px. */
const ABOVE_FINGER = 44;
/** How often runs go on, and the screen hears of the speed, s. */
const RUNS_EVERY = 0.25;
const SPEED_EVERY = 0.12;
const WHEEL = 0.0012;
/** A pointer that has not said anything for so long stands still, ms. */
const STANDS = 60;

/** What a browser says of a finger, a mouse or a pen on its way. */
const TOUCHES = [
  ...(['pointerover', 'pointerdown', 'pointermove', 'pointerup', 'pointercancel', 'pointerout'] as const),
  ...(['gotpointercapture', 'lostpointercapture'] as const),
  ...(['touchstart', 'touchmove', 'touchend', 'touchcancel'] as const),
  ...(['mousedown', 'mousemove', 'mouseup'] as const),
];

/** Whether nobody else needs to hear of it: what a mouse comes from or goes to does, and what it was pressed on elsewhere. */
const isOurs = (event: Event, pressed: boolean): boolean =>
  /over$|out$/.test(event.type)
    ? (event as PointerEvent).pointerType === 'touch'
    : event.type !== 'mouseup' || pressed;

const ARROWS: Readonly<Record<string, Place>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: 1 },
  ArrowDown: { x: 0, y: -1 },
};

interface Pointer {
  readonly type: string;
  x: number;
  y: number;
}

/** Something a pointer did, kept until the next picture. */
interface Sample {
  readonly place: Place;
  readonly at: number;
  readonly open: boolean;
}

/**
 * Somebody sprays a piece on the screen: takes what fingers, mouse, pen and keys do, lays it as it comes, and draws. No React: sixty
 * pictures a second are none of its business.
 */
export class Spraying {
  private film: LiveFilm;
  private readonly gun = new Gun();
  private readonly forwards = new Forwards();
  private tones: FilmTones;
  private picture: ImageData;
  private readonly pointers = new Map<number, Pointer>();
  private readonly keys = new Set<string>();
  private samples: Sample[] = [];
  private place: Place | undefined;
  private now: TimedPoint | undefined;
  private open = false;
  private frame = 0;
  private started: number | undefined;
  private breaks = 0;
  private ranAt = 0;
  private heardAt = 0;
  private runs: ReturnType<LiveFilm['runs']> = [];
  private next = { index: 0, turned: false };
  private openedAt = 0;
  private count = 0;
  private pinch: number | undefined;
  /** What the picture that stands still was drawn from last. */
  private drawn: readonly unknown[] = [];
  /** Width of the picture, CSS px: asked for when it changes, not for each picture. */
  private wide = 0;
  /** Where the canvases are in the window. */
  private box: DOMRect | undefined;
  /** Whoever wants no motion has the planned lines alone. */
  private readonly still = wantsStill();
  private last = 0;
  /** When the pointer said last where it is, ms. */
  private heardOf = 0;

  constructor(
    private readonly target: PracticeTarget,
    film: LiveFilm,
    private readonly canvases: Canvases,
    private ways: Ways,
    private palette: Palette,
    private readonly heard: Heard,
  ) {
    this.film = film;
    this.tones = tonesOf(palette);
    const { columns, rows } = film.simulation.grid;
    canvases.film.width = columns;
    canvases.film.height = rows;
    this.picture = new ImageData(columns, rows);
    this.next.index = nextPass(film);
    this.resize();
    this.repaint();
  }

  /** Hears what is done on a part of the page, until it is let go. */
  attach(surface: HTMLElement): () => void {
    const over = new AbortController();
    const on = <Kind extends keyof HTMLElementEventMap>(
      kind: Kind,
      take: (event: HTMLElementEventMap[Kind]) => void,
    ) => surface.addEventListener(kind, take, { signal: over.signal, passive: false });
    this.alone(surface, over.signal);
    const elsewhere = () => (this.box = undefined);
    for (const kind of ['scroll', 'resize'] as const)
      window.addEventListener(kind, elsewhere, { signal: over.signal, capture: true });
    on('pointerleave', (event) => this.up(event));
    on('wheel', (event) => {
      event.preventDefault();
      this.heard.onDistance(Math.exp(event.deltaY * WHEEL));
    });
    on('keydown', (event) => {
      surface.style.outline = '';
      this.key(event, true);
    });
    on('keyup', (event) => this.key(event, false));
    on('blur', () => this.letGo());
    // What a browser makes of a long touch is not wanted here.
    on('contextmenu', (event) => event.preventDefault());
    const hidden = () => document.hidden && this.letGo();
    document.addEventListener('visibilitychange', hidden, { signal: over.signal });
    const resized = new ResizeObserver(() => this.resize());
    resized.observe(this.canvases.moving);
    const timer = setInterval(() => this.tick(), RUNS_EVERY * 1000);
    return () => {
      over.abort();
      resized.disconnect();
      clearInterval(timer);
      cancelAnimationFrame(this.frame);
    };
  }

  /**
   * Whoever touches the piece is heard by nobody else: what listens on the page for any touch takes a slow phone several pictures at the
   * first, and half a picture for each place of the gun. Heard first of all, since some listen on the way down.
   */
  private alone(surface: HTMLElement, signal: AbortSignal): void {
    const take: Partial<Record<string, (event: PointerEvent) => void>> = {
      pointerdown: (event) => this.down(event, surface),
      pointermove: (event) => this.moved(event),
      pointerup: (event) => this.up(event),
      pointercancel: (event) => this.up(event),
    };
    /** A mouse that was pressed elsewhere is let go for whoever heard it. */
    let pressed = false;
    const first = (event: PointerEvent | TouchEvent | MouseEvent) => {
      const here = event.target instanceof Node && surface.contains(event.target);
      if (event.type === 'mousedown') pressed = here;
      if (!here) return;
      if (isOurs(event, pressed)) event.stopPropagation();
      take[event.type]?.(event as PointerEvent);
    };
    for (const kind of TOUCHES)
      window.addEventListener(kind, first, { signal, capture: true, passive: false });
  }

  /** The gun is held otherwise from now on. */
  hold(ways: Ways): void {
    this.ways = ways;
    this.draw();
  }

  /** Another theme. */
  paintWith(palette: Palette): void {
    this.palette = palette;
    this.tones = tonesOf(palette);
    this.repaint();
  }

  /** What was sprayed so far. */
  recording(): Recording {
    return this.film.recording();
  }

  /** Somebody leaves the piece for a while: the clock goes on, what is wet runs and dries. */
  rest(seconds: number): void {
    this.letGo();
    this.started ??= performance.now();
    this.breaks += seconds;
    this.tick();
    this.draw();
  }

  /** Takes the last stroke back; nothing where there is none. */
  undo(): void {
    this.letGo();
    const { strokes } = this.film.recording();
    this.begin({ strokes: strokes.slice(0, -1) });
  }

  /** An unpainted piece, or one with strokes on it that were sprayed before. */
  begin(recording: Recording): void {
    const film = filmUntil(this.target, recording, Infinity);
    if (!film.ok) return;
    film.value.lift();
    this.film = film.value;
    if (recording.strokes.length === 0) {
      this.started = undefined;
      this.breaks = 0;
      this.forwards.begin();
    }
    this.runs = this.film.runs();
    this.tell();
    this.repaint();
  }

  /** Seconds since the first touch, breaks included. */
  private clock(at = performance.now()): number {
    this.started ??= at;
    return Math.max(0, (at - this.started) / 1000) + this.breaks;
  }

  /** CSS pixels for a metre. */
  private get scale(): number {
    const { grid } = this.film.simulation;
    return (this.wide || 1) / (grid.columns * grid.cell);
  }

  private get height(): number {
    const { grid } = this.film.simulation;
    return grid.rows * grid.cell;
  }

  private placeOf({ clientX, clientY, pointerType }: PointerEvent): Place {
    // Asked for where it may have changed: asked for each place the page would be laid out for each.
    const box = (this.box ??= this.canvases.moving.getBoundingClientRect());
    const up = pointerType === 'touch' ? ABOVE_FINGER : 0;
    return {
      x: (clientX - box.left) / this.scale,
      y: this.height - (clientY - up - box.top) / this.scale,
    };
  }

  private down(event: PointerEvent, surface: HTMLElement): void {
    event.preventDefault();
    this.box = undefined;
    this.afterPicture(() => this.focus(surface));
    try {
      surface.setPointerCapture(event.pointerId);
    } catch {
      // A pointer that is gone already, or was made by a program.
    }
    const { x, y } = event;
    this.pointers.set(event.pointerId, { type: event.pointerType, x, y });
    const [first] = this.pointers.keys();
    const touch = event.pointerType === 'touch';
    if (first === event.pointerId) {
      this.add(this.placeOf(event), event.timeStamp, touch ? this.ways.triggerBy === 'finger' : true);
    } else if (this.ways.triggerBy === 'second') this.pull(true, event.timeStamp);
    else this.pinch = this.apart();
  }

  private moved(event: PointerEvent): void {
    const pointer = this.pointers.get(event.pointerId);
    if (pointer) [pointer.x, pointer.y] = [event.clientX, event.clientY];
    if (this.pinch !== undefined) {
      const apart = this.apart();
      if (apart !== undefined) this.heard.onDistance(apart / this.pinch);
      this.pinch = apart;
    }
    const [first] = this.pointers.keys();
    // A mouse or a pen moves the gun before it is pressed.
    if (first !== undefined ? first !== event.pointerId : event.pointerType === 'touch') return;
    const all = event.getCoalescedEvents();
    for (const one of all.length > 0 ? all : [event]) this.add(this.placeOf(one), one.timeStamp, this.open);
  }

  private up(event: PointerEvent): void {
    const [first] = this.pointers.keys();
    const was = this.pointers.delete(event.pointerId);
    this.pinch = undefined;
    if (first !== undefined && first !== event.pointerId) {
      if (this.ways.triggerBy === 'second' && was) this.pull(this.pointers.size > 1, event.timeStamp);
      return;
    }
    if (!was && event.type !== 'pointerleave') return;
    this.pull(false, event.timeStamp);
    // A mouse is still there when its button is let go; what touched is gone.
    if (event.pointerType === 'touch' || event.type !== 'pointerup') this.takeAway();
  }

  private apart(): number | undefined {
    const [a, b] = [...this.pointers.values()];
    return a && b ? Math.max(1, Math.hypot(a.x - b.x, a.y - b.y)) : undefined;
  }

  private key(event: KeyboardEvent, isDown: boolean): void {
    const { code } = event;
    if (code !== 'Space' && !(code in ARROWS)) return;
    event.preventDefault();
    if (event.repeat) return;
    if (code === 'Space') {
      this.place ??= this.firstPlace();
      this.pull(isDown, event.timeStamp);
    } else if (isDown) {
      this.place ??= this.firstPlace();
      this.keys.add(code);
    } else this.keys.delete(code);
    this.run();
  }

  /** Where the gun of somebody with keys begins: before the next planned pass, off the piece. */
  private firstPlace(): Place {
    const pass = this.target.wall.plan.passes[nextPass(this.film)];
    return pass?.from ?? { x: 0, y: 0 };
  }

  private add(place: Place, at: number, open: boolean): void {
    this.samples.push({ place, at, open });
    this.place = place;
    this.open = open;
    this.run();
  }

  private pull(open: boolean, at: number): void {
    this.open = open;
    if (this.place) this.samples.push({ place: this.place, at, open });
    this.run();
  }

  /** Whatever happens to the page, the trigger is let go and nothing that was sprayed is lost. */
  private letGo(): void {
    this.pointers.clear();
    this.keys.clear();
    this.pinch = undefined;
    if (this.place) this.pull(false, performance.now());
    this.step(performance.now());
    this.takeAway();
  }

  private takeAway(): void {
    this.step(performance.now());
    this.film.lift();
    this.gun.lift();
    this.place = undefined;
    this.now = undefined;
    this.open = false;
    this.heard.onSpeed(undefined);
    this.afterPicture(() => this.tell());
    this.draw();
  }

  private run(): void {
    if (this.frame !== 0) return;
    const turn = (at: number) => {
      this.frame = 0;
      this.step(Math.max(at, performance.now()));
      this.draw();
      if (this.place) this.frame = requestAnimationFrame(turn);
    };
    this.frame = requestAnimationFrame(turn);
  }

  /** Lays what was done up to a moment. */
  private step(at: number): void {
    let dirty: CellBox | undefined;
    const lay = (place: Place, moment: number, open: boolean) => {
      const time = this.forwards.at(this.clock(moment));
      const gun = steppedPoint(this.gun.at(place, time, this.ways));
      if (open !== this.film.isOpen) this.changed(open, gun);
      const box = this.film.move(gun, open);
      if (box) dirty = joined(dirty, box);
      this.now = gun;
    };
    for (const { place, at: moment, open } of this.samples) {
      lay(place, moment, open);
      this.heardOf = moment;
    }
    this.samples = [];
    const seconds = Math.min(0.1, Math.max(0, (at - this.last) / 1000));
    this.last = at;
    if (this.keys.size > 0 && this.place) this.place = this.byKeys(this.place, seconds);
    // A pointer is told of now and then: until its next place is known, it has not stopped. Keys move by the clock.
    if (this.place && (this.keys.size > 0 || at - this.heardOf > STANDS)) lay(this.place, at, this.open);
    if (dirty) this.paint(dirty);
    if (this.film.isFull) this.heard.onFull();
    const time = at / 1000;
    if (this.place && time - this.heardAt > SPEED_EVERY) {
      this.heardAt = time;
      this.heard.onSpeed(this.gun.speed);
    }
  }

  private byKeys({ x, y }: Place, seconds: number): Place {
    const way = this.target.settings.gunSpeed * seconds;
    let [dx, dy] = [0, 0];
    for (const key of this.keys) {
      dx += ARROWS[key]?.x ?? 0;
      dy += ARROWS[key]?.y ?? 0;
    }
    return { x: x + dx * way, y: y + dy * way };
  }

  /** The trigger was pulled or let go. */
  private changed(open: boolean, gun: TimedPoint): void {
    if (open) {
      const near = nearestPass(this.target.wall.plan.passes, gun);
      if (near) this.next = near;
      this.openedAt = gun.time;
    } else this.afterPicture(() => this.tell());
  }

  /** Does what can wait when the next picture is there: in the task of a touch it would cost one. */
  private afterPicture(work: () => void): void {
    requestAnimationFrame(() => setTimeout(work));
  }

  /** Keys are for the piece from now on. */
  private focus(surface: HTMLElement): void {
    // The ring of the focus is for those who use keys.
    surface.style.outline = 'none';
    surface.focus({ preventScroll: true });
  }

  /** Says how many strokes there are, and how fast the last one was. */
  private tell(): void {
    const { strokes } = this.film.recording();
    // One that goes on is told of at its end.
    if (this.open || strokes.length === this.count) return;
    this.count = strokes.length;
    const stroke = strokes.at(-1);
    const { way, time } = stroke ? openWay(stroke) : { way: 0, time: 0 };
    this.next = { index: nextPass(this.film), turned: false };
    this.heard.onStrokes(strokes.length, time > 0 ? way / time : undefined);
  }

  /** Time goes on, also where nobody does anything: what is over its limit runs. */
  private tick(): void {
    if (this.started === undefined) return;
    const now = this.clock();
    if (now - this.ranAt < RUNS_EVERY / 2) return;
    this.ranAt = now;
    this.film.pass(now);
    const runs = this.film.runs();
    if (runs === this.runs) return;
    this.runs = runs;
    // Where somebody sprays, the next picture has them.
    if (this.frame === 0) this.draw();
  }

  private repaint(): void {
    this.paint(wholeBox(this.film));
    this.draw();
  }

  private paint(box: CellBox): void {
    const context = this.canvases.film.getContext('2d');
    if (!context) return;
    paintCells(this.picture, this.film, this.tones, box);
    const { rows } = this.film.simulation.grid;
    const { left, right, bottom, top } = box;
    context.putImageData(this.picture, 0, 0, left, rows - 1 - top, right - left + 1, top - bottom + 1);
  }

  private resize(): void {
    const { standing, moving } = this.canvases;
    fitted(standing);
    this.box = undefined;
    this.wide = fitted(moving);
    this.drawn = [];
    this.draw();
  }

  /** Where the gun should be now by the planned pass; nothing where no pass is followed. */
  private wanted(): Place | undefined {
    const { now, film, ways, next } = this;
    const pass = this.target.wall.plan.passes[next.index];
    const [first, last] = [pass?.open[0], pass?.open.at(-1)];
    if (!now || !film.isOpen || !ways.ghost || this.still || !pass || !first || !last) return undefined;
    const gone = (now.time - this.openedAt) * this.target.settings.gunSpeed;
    return onPass(
      pass,
      next.turned ? Math.max(first.from, last.to - gone) : Math.min(last.to, first.from + gone),
    );
  }

  private draw(): void {
    const { now, place, film, ways, palette, wide, runs, next } = this;
    const sheet: Sheet = { target: this.target, palette, scale: this.scale, height: this.height, wide };
    const standing = this.canvases.standing.getContext('2d');
    const drawn = [palette, wide, runs, ways.ghost, next.index];
    if (standing && drawn.some((one, index) => one !== this.drawn[index])) {
      drawStanding(standing, sheet, { ghost: { shown: ways.ghost, next: next.index }, runs });
      this.drawn = drawn;
    }
    const moving = this.canvases.moving.getContext('2d');
    const gun = now && place ? { ...now, open: film.isOpen } : undefined;
    if (moving) drawMoving(moving, sheet, { gun, wanted: this.wanted() });
  }
}

const joined = (a: CellBox | undefined, b: CellBox): CellBox =>
  a
    ? {
        left: Math.min(a.left, b.left),
        right: Math.max(a.right, b.right),
        bottom: Math.min(a.bottom, b.bottom),
        top: Math.max(a.top, b.top),
      }
    : b;
