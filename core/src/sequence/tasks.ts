/** Minutes of one slot: all work lies on this grid. */
export const SLOT = 5;

/** What must come before some work, and how long after its end it may begin: by the clock on the wall, min. */
export interface Lag {
  readonly task: string;
  readonly least: number;
  /** Not later than this after it; missing where it stays open. */
  readonly most?: number | undefined;
}

/** Work that is done in one go by somebody: by hand, or with a sprayer. */
export interface SiteTask {
  readonly id: string;
  readonly name: string;
  /** Where it is; one team at a time is there. */
  readonly room: string;
  /** Where its sprayer stands; where its room is, if nothing is said: one place may reach several rooms. */
  readonly stand?: string | undefined;
  readonly kind: 'hand' | 'spray';
  /** Minutes of work, a multiple of the grid; of each of its people. */
  readonly minutes: number;
  readonly people: number;
  readonly after: readonly Lag[];
  /** It does not begin before, min from the first midnight: what was done before the plan has to dry. */
  readonly notBefore?: number | undefined;
  /** What is sprayed: changes of it take set-ups. */
  readonly fluid?: Fluid | undefined;
  /** It stays dry for so long after its end, min: done outside in its weather. Missing inside. */
  readonly rainFast?: number | undefined;
  /** Where somebody put it. */
  readonly pin?: Pin | undefined;
  /** It is begun and not done: `minutes` are what is left of it, from the pin's start on, whatever else there is. */
  readonly running?: true | undefined;
  /** How far its time may be off, as shares of it, and the kind of work it is off with. */
  readonly spread?: Spread | undefined;
}

/** Where somebody put a task: when it begins, min, and who is on it; the rest is free. */
export interface Pin {
  readonly start?: number | undefined;
  /** People by their number, no more than the task takes. */
  readonly who?: readonly number[] | undefined;
}

/** How far the time of some work may be off: all of one kind are off together. */
export interface Spread {
  readonly by: string;
  readonly low: number;
  readonly high: number;
}

/** What is in a sprayer. */
export interface Fluid {
  readonly coating: string;
  readonly base: 'water' | 'solvent';
}

/** Minutes of one person directly before a spray task, by what was sprayed before it that day; working rates (work.md). */
export const SET_UPS = {
  /** The first of a day: machine filled, primed, dialled in. */
  load: 15,
  flush: 25,
  base: 45,
  /** The machine moved to another room. */
  move: 10,
  /** At the end of a day with a sprayer. */
  clean: 40,
} as const;

/** Nobody else comes into a room for so long after spraying, min: until the mist has gone. */
export const MIST = 30;

/** What is in a sprayer and where it stands. */
export type Loaded = Pick<SiteTask, 'fluid' | 'room' | 'stand'>;

/** Whether a sprayer is moved between two tasks. */
export const isMoved = (before: Loaded, task: Loaded): boolean =>
  (before.stand ?? before.room) !== (task.stand ?? task.room);

/** Minutes of set-up before a spray task that follows another on a sprayer, or is the first of its day; one that is begun has had its own. */
export function setUpBetween(before: Loaded | undefined, task: SiteTask): number {
  if (task.running) return 0;
  if (!before) return SET_UPS.load;
  const [one, other] = [before.fluid, task.fluid];
  const change =
    one?.base !== other?.base ? SET_UPS.base : one?.coating !== other?.coating ? SET_UPS.flush : 0;
  return change + (isMoved(before, task) ? SET_UPS.move : 0);
}

/** Slots that so many minutes take. */
export const slotsOf = (minutes: number): number => Math.max(0, Math.ceil(minutes / SLOT - 1e-9));

/** Minutes on the grid, upwards: nothing takes no time. */
export const onGrid = (minutes: number): number => Math.max(SLOT, slotsOf(minutes) * SLOT);
