import { explain, given, workingDefault, type Explained, type Input } from '../explain';
import type { DisplayKind } from '../units';
import type { JobCovering } from './covering';
import { BY_STATE, STATES, type ByState, type State, type SurfaceWork } from './preparing';

/** What kind of number a rate is, with the kind it is shown as, what one stored is in SI, and what it may be. */
const RATE_KINDS = {
  /** Stored in m/h. */
  line: { shown: 'lineRate', si: 1 / 3600, limits: { min: 1, max: 1000 } },
  /** Stored in m²/h. */
  area: { shown: 'areaRate', si: 1 / 3600, limits: { min: 1, max: 1000 } },
  /** Pieces in an hour. */
  pieces: { shown: 'count', si: 1, limits: { min: 0.1, max: 1000 } },
  /** Stored in minutes. */
  each: { shown: 'minutes', si: 60, limits: { min: 0, max: 600 } },
  /** Stored in min/m². */
  perArea: { shown: 'perArea', si: 60, limits: { min: 0, max: 60 } },
  /** Share of other hours. */
  share: { shown: 'percent', si: 1, limits: { min: 0, max: 2 } },
} as const satisfies Record<
  string,
  { shown: DisplayKind; si: number; limits: { readonly min: number; readonly max: number } }
>;
type RateKind = keyof typeof RATE_KINDS;

interface RateData {
  readonly name: string;
  readonly kind: RateKind;
  readonly usual: number;
}
const rate = (name: string, kind: RateKind, usual: number): RateData => ({ name, kind, usual });

/**
 * How fast a crew works, one person each; the company puts its own. Source of the defaults: method.md, "Working rates". Scraping, filling and
 * sanding are those of a fair surface.
 */
export const WORK_RATES = {
  setUp: rate('Setting up, each day', 'each', 40),
  travel: rate('On the road, a person and day', 'each', 40),
  furniture: rate('Furniture of a room in use', 'each', 20),
  power: rate('Power of a room off, and checked', 'each', 5),
  plates: rate('Cover plate off and on', 'each', 1.5),
  lights: rate('Light fitting lowered and bagged', 'each', 8),
  vents: rate('Vent or grille', 'each', 4),
  alarms: rate('Smoke alarm bagged, and uncovered again', 'each', 3),
  curtains: rate('Curtains, rail and brackets of a window', 'each', 6),
  maskingLine: rate('Masking line', 'line', 60),
  floorCover: rate('Floor cover', 'area', 60),
  fittings: rate('Windows and fittings masked', 'pieces', 10),
  doors: rate('Doors off, hardware off, racked and back', 'pieces', 2.4),
  washing: rate('Washing', 'area', 60),
  scraping: rate('Scraping loose paint', 'perArea', 2),
  filling: rate('Filling', 'perArea', 1),
  sanding: rate('Sanding', 'perArea', 1),
  caulking: rate('Caulking', 'line', 40),
  dusting: rate('Dusting off', 'perArea', 0.3),
  backRoll: rate('Back-rolling', 'area', 25),
  between: rate('Sanding between coats', 'perArea', 0.5),
  move: rate('Moving the machine', 'each', 10),
  flush: rate('Flush for a colour', 'each', 25),
  baseChange: rate('Change of base', 'each', 45),
  unmask: rate('Unmasking, of masking and covering', 'share', 0.3),
  touchUp: rate('Touching up', 'perArea', 0.25),
  cleanUp: rate('Clean-up at the end of a day', 'each', 40),
  height: rate('More for what is over 3 m', 'share', 0.25),
  supervision: rate('Supervision, of all work on site', 'share', 0.05),
  breaks: rate('Breaks, of all work on site', 'share', 0.1),
} as const satisfies Record<string, RateData>;
export type WorkRate = keyof typeof WORK_RATES;
export const WORK_RATE_IDS = Object.keys(WORK_RATES) as WorkRate[];
export type WorkRates = Readonly<Record<WorkRate, number>>;

export const USUAL_RATES: WorkRates = Object.fromEntries(
  WORK_RATE_IDS.map((id) => [id, WORK_RATES[id].usual]),
) as Record<WorkRate, number>;

/** What a rate may be as it is stored; slower or faster is a slip of the hand. */
export const rateLimits = (id: WorkRate): { readonly min: number; readonly max: number } =>
  RATE_KINDS[WORK_RATES[id].kind].limits;
/** How a rate is shown, and what one as it is stored is in SI. */
export const rateShown = (id: WorkRate): { readonly kind: DisplayKind; readonly si: number } => {
  const { shown, si } = RATE_KINDS[WORK_RATES[id].kind];
  return { kind: shown, si };
};

/** Rates that hang on the state of a surface. */
export type MendingRate = keyof typeof BY_STATE;
export const isMending = (id: WorkRate): id is MendingRate => id in BY_STATE;

/** Some work as its time is written down and learned: which rate it tells of, and the state it was done on where that matters. */
export interface KindOfWork {
  readonly rate: WorkRate;
  readonly state?: State | undefined;
}
export const kindOfWorkKey = ({ rate: id, state }: KindOfWork): string =>
  isMending(id) ? `${id} ${state ?? 'fair'}` : id;
export const kindOfWorkName = ({ rate: id, state }: KindOfWork): string =>
  isMending(id) ? `${WORK_RATES[id].name}, ${state ?? 'fair'}` : WORK_RATES[id].name;

/** Time each that the log has taught, s for a metre, a square metre or a piece: by `kindOfWorkKey`. */
export type LearnedTimes = Readonly<Record<string, Input>>;

/** What the amount of some work is counted in; nothing where it is a share of other hours. */
export function workCountedIn(id: WorkRate): 'run' | 'area' | 'count' | undefined {
  const { kind } = WORK_RATES[id];
  if (kind === 'line') return 'run';
  if (kind === 'area' || kind === 'perArea') return 'area';
  return kind === 'share' ? undefined : 'count';
}
/** Work whose time can be written down, with how much of it was done. */
export const TIMED_WORK: readonly WorkRate[] = WORK_RATE_IDS.filter((id) => workCountedIn(id) !== undefined);

/** How a time each and a rate turn into each other, both in SI; pieces are counted by the hour. */
function turned(id: WorkRate, value: number): number {
  const { kind } = WORK_RATES[id];
  if (kind === 'line' || kind === 'area') return 1 / value;
  return kind === 'pieces' ? HOUR / value : value;
}

/** How a time each is said to people: as a rate along a line and over an area, else as minutes. */
export function timeShown(id: WorkRate): {
  readonly kind: DisplayKind;
  readonly from: (time: number) => number;
} {
  const { kind } = WORK_RATES[id];
  if (kind === 'line' || kind === 'area')
    return { kind: rateShown(id).kind, from: (time) => turned(id, time) };
  return { kind: kind === 'perArea' ? 'perArea' : 'minutes', from: (time) => time };
}

/** Time each that some work usually takes, with how far that may be off, s. */
export function usualTime({ rate: id, state = 'fair' }: KindOfWork): Input {
  const { usual } = WORK_RATES[id];
  const times = turned(id, usual * rateShown(id).si) * (isMending(id) ? BY_STATE[id][state] : 1);
  const range = RATE_RANGE.default;
  const ends = [times * (1 - range), times * (1 + range)] as const;
  return workingDefault(
    kindOfWorkName({ rate: id, state }),
    workCountedIn(id) === 'area' ? 'perArea' : 'minutes',
    times,
    ...ends,
  );
}

/** Share of the spraying time during which the trigger is open. */
export const TRIGGER_SHARE = workingDefault('Trigger time of spraying time', 'percent', 0.55, 0.45, 0.65);
/** Time somebody sprays for so much with the trigger open, s. */
export const sprayingTime = (trigger: number): number => trigger / TRIGGER_SHARE.value;

/** How far a working rate may be off, and one of the company's own, relative. */
const RATE_RANGE = { default: 0.4, own: 0.25 } as const;

/** What there is to do on a job. */
export interface JobWork {
  /** Trigger open for all coats, s. */
  readonly trigger: number;
  readonly protection: JobCovering;
  readonly surfaces: SurfaceWork;
  /** Coats a room is moved into for, all rooms together. */
  readonly moves: number;
  readonly flushes: number;
  readonly baseChanges: number;
  /** Somebody lives or works there: furniture is in the way. */
  readonly inUse: boolean;
  readonly people: number;
  readonly days: number;
}

export const TASKS = {
  setUp: 'Setting up',
  furniture: 'Furniture',
  fittings: 'Plates, lights, vents, curtains',
  masking: 'Masking and covering',
  doors: 'Doors off, racked and back',
  preparing: 'Washing, scraping, filling, sanding',
  caulking: 'Caulking',
  dusting: 'Dusting off',
  spraying: 'Spraying',
  backRolling: 'Back-rolling',
  between: 'Sanding between coats',
  moving: 'Moving the machine',
  flushing: 'Flushing',
  height: 'More for what is high',
  unmasking: 'Unmasking',
  touchUp: 'Touching up',
  cleaning: 'Cleaning up',
  supervision: 'Supervision',
  breaks: 'Breaks',
  travel: 'On the road',
} as const;
export type Task = keyof typeof TASKS;
export const TASK_IDS = Object.keys(TASKS) as Task[];
export type JobHours = Readonly<Partial<Record<Task, Explained>>>;

/** What no hours are counted for, whatever is switched on. */
export const NEVER_COUNTED = [
  'scaffold and lifts',
  'repairs beyond filling',
  'disposal',
  'waiting for weather and other trades',
] as const;

const HOUR = 3600;
/** Hours that supervision and breaks are shares of: everything on site. */
const ON_SITE = TASK_IDS.filter((task) => !['supervision', 'breaks', 'travel'].includes(task));
/** Work that takes longer up high. */
const UP_HIGH = [
  'masking',
  'preparing',
  'caulking',
  'dusting',
  'spraying',
  'backRolling',
  'between',
] as const;

/** A rate as an input: as the log has it, else the company's own where it is not the usual one. */
function rateInput(rates: WorkRates, id: WorkRate, learned: LearnedTimes): Input {
  const known = learned[kindOfWorkKey({ rate: id })];
  if (known) {
    const ends = [turned(id, known.low), turned(id, known.high)];
    return {
      ...known,
      ...{ label: WORK_RATES[id].name, kind: rateShown(id).kind, value: turned(id, known.value) },
      ...{ low: Math.min(...ends), high: Math.max(...ends) },
    };
  }
  const value = rates[id];
  const { name, usual } = WORK_RATES[id];
  const { kind, si } = rateShown(id);
  const own = value !== usual;
  const range = own ? RATE_RANGE.own : RATE_RANGE.default;
  return {
    ...workingDefault(name, kind, value * si, value * si * (1 - range), value * si * (1 + range)),
    source: own ? "The company's own rate" : 'Working rate',
    basis: own ? 'history' : 'default',
  };
}

/** Time for a square metre of what hangs on its state: as the log has it of that state, else by what a fair surface takes. */
function mendingInput(
  rates: WorkRates,
  kind: { rate: MendingRate; state: State },
  learned: LearnedTimes,
): Input {
  const known = learned[kindOfWorkKey(kind)];
  const label = kindOfWorkName(kind);
  if (known) return { ...known, label, kind: 'perArea' };
  const fair = rateInput(rates, kind.rate, learned);
  const factor = BY_STATE[kind.rate][kind.state];
  const { value, low, high } = fair;
  return { ...fair, label, value: value * factor, low: low * factor, high: high * factor };
}

/** Hours of some work as an input of what is a share of them. */
const hoursOf = (label: string, all: readonly Explained[]): Input => {
  const sum = (part: 'low' | 'value' | 'high') => all.reduce((total, one) => total + one[part], 0);
  return {
    label,
    kind: 'duration',
    value: sum('value'),
    low: sum('low'),
    high: sum('high'),
    basis: 'default',
    source: 'Hours of this job',
  };
};

/**
 * Hours of work of a job by task, s, each with its range; a task that is left out is not there, and nothing is a share of it.
 * @param without tasks that the company does not count
 * @param learned what the log says of how long work takes
 */
export function workOf(
  work: JobWork,
  rates: WorkRates,
  without: readonly Task[] = [],
  learned: LearnedTimes = {},
): JobHours {
  const { protection, surfaces } = work;
  const at = (id: WorkRate) => rateInput(rates, id, learned);
  const counted = (label: string, value: number) => given(label, 'count', value, 'Take-off of the job');
  const area = (label: string, value: number) => given(label, 'area', value, 'Take-off of the job');
  const line = (label: string, value: number) => given(label, 'run', value, 'Take-off of the job');
  const times = (inputs: Readonly<Record<string, readonly [string, number, WorkRate]>>) =>
    explain(
      'hours by time each',
      'duration',
      Object.fromEntries(
        Object.entries(inputs).flatMap(([name, [label, value, id]]) => [
          [name, counted(label, value)],
          [`${name} each`, at(id)],
        ]),
      ),
      (v) => Object.keys(inputs).reduce((sum, name) => sum + (v[name] ?? 0) * (v[`${name} each`] ?? 0), 0),
    );
  const byArea = (label: string, value: number, id: WorkRate) =>
    explain('hours by area', 'duration', { area: area(label, value), each: at(id) }, (v) => v.area * v.each);
  const byRate = (amount: Input, id: WorkRate) =>
    explain('hours by rate', 'duration', { amount, rate: at(id) }, (v) => v.amount / v.rate);
  const { fittings } = protection;
  const mended = (id: MendingRate, label: string, areas: ByState): Readonly<Record<string, Input>> =>
    Object.fromEntries(
      STATES.filter((state) => areas[state] > 0 && BY_STATE[id][state] > 0).flatMap((state) => [
        [`${id} ${state}`, area(`${label}, ${state}`, areas[state])],
        [`${id} ${state} each`, mendingInput(rates, { rate: id, state }, learned)],
      ]),
    );
  const mendedTime = (v: Readonly<Record<string, number>>): number =>
    Object.keys(v).reduce((sum, name) => sum + (v[name] ?? 0) * (v[`${name} each`] ?? 0), 0);

  const plain: Record<Exclude<Task, 'height' | 'unmasking' | 'supervision' | 'breaks'>, Explained> = {
    setUp: times({ days: ['Days', work.days, 'setUp'] }),
    furniture: times({ rooms: ['Rooms in use', work.inUse ? protection.rooms : 0, 'furniture'] }),
    fittings: times({
      rooms: ['Rooms with power off', protection.powerOff, 'power'],
      plates: ['Cover plates', protection.inTheWay.plate, 'plates'],
      lights: ['Light fittings', protection.inTheWay.light, 'lights'],
      vents: ['Vents and grilles', protection.inTheWay.vent, 'vents'],
      alarms: ['Smoke alarms', protection.inTheWay.alarm, 'alarms'],
      curtains: ['Windows with curtains', protection.inTheWay.curtain, 'curtains'],
    }),
    masking: explain(
      'hours of masking',
      'duration',
      {
        line: line('Masking line', protection.maskingLine),
        lineRate: at('maskingLine'),
        floor: area('Floor cover', protection.floorCover),
        floorRate: at('floorCover'),
        fittings: counted('Windows and fittings', fittings),
        fittingsRate: at('fittings'),
      },
      (v) => v.line / v.lineRate + v.floor / v.floorRate + (HOUR * v.fittings) / v.fittingsRate,
    ),
    doors: explain(
      'hours by count',
      'duration',
      { doors: counted('Doors', protection.doors), rate: at('doors') },
      (v) => (HOUR * v.doors) / v.rate,
    ),
    preparing: explain(
      'hours of preparing',
      'duration',
      {
        washed: area('Washed', surfaces.washed),
        washing: at('washing'),
        ...mended('scraping', 'Scraped', surfaces.scraped),
        ...mended('filling', 'Filled', surfaces.filled),
        ...mended('sanding', 'Sanded', surfaces.sanded),
      },
      (v) => (v['washed'] ?? 0) / (v['washing'] ?? 1) + mendedTime(v),
    ),
    caulking: byRate(line('Joints of trim', surfaces.caulked), 'caulking'),
    dusting: byArea('Dusted off', surfaces.area, 'dusting'),
    spraying: explain(
      'hours of spraying',
      'duration',
      {
        trigger: given('Trigger time', 'trigger', work.trigger, 'Set-up cards of the job'),
        share: TRIGGER_SHARE,
      },
      (v) => v.trigger / v.share,
    ),
    backRolling: byRate(area('Back-rolled in the first coat', surfaces.backRolled), 'backRoll'),
    between: byArea('Sanded between coats, each time', surfaces.between, 'between'),
    moving: times({ moves: ['Moves', work.moves, 'move'] }),
    flushing: times({
      flushes: ['Colour flushes', work.flushes, 'flush'],
      changes: ['Changes of base', work.baseChanges, 'baseChange'],
    }),
    touchUp: byArea('Finished surfaces', surfaces.area, 'touchUp'),
    cleaning: times({ days: ['Days', work.days, 'cleanUp'] }),
    travel: times({ days: ['Days of one person', work.days * work.people, 'travel'] }),
  };
  const counts = (task: Task) => !without.includes(task);
  const share = (id: WorkRate, label: string, of: readonly Explained[], part = 1) =>
    explain(
      'hours by share',
      'duration',
      {
        hours: hoursOf(label, of),
        part: given('Share it is for', 'percent', part, 'Take-off of the job'),
        share: at(id),
      },
      (v) => v.hours * v.part * v.share,
    );
  const high = UP_HIGH.filter(counts).map((task) => plain[task]);
  const all: Partial<Record<Task, Explained>> = {
    ...plain,
    height: share('height', 'Work on the surfaces', high, surfaces.highShare),
    unmasking: share('unmask', 'Masking and covering', counts('masking') ? [plain.masking] : []),
  };
  const onSite = ON_SITE.filter(counts).flatMap((task) => all[task] ?? []);
  const supervision = share('supervision', 'Work on site', onSite);
  const whole = { ...all, supervision, breaks: share('breaks', 'Work on site', onSite) };
  return Object.fromEntries(
    TASK_IDS.filter(counts).flatMap((task) => (whole[task] ? [[task, whole[task]]] : [])),
  );
}

/** Working hours of a day. */
export const WORKING_DAY = 7.5 * HOUR;

/** Days that so much work takes a crew, at least one where there is any. */
export function daysOf(seconds: number, people: number): number {
  return seconds > 0 ? Math.max(1, Math.ceil(seconds / (WORKING_DAY * people))) : 0;
}

const total = (hours: JobHours): number => Object.values(hours).reduce((sum, one) => sum + one.value, 0);

/** Hours of a job with the days they take: setting up, cleaning and the road come again each day, and so make more of them. */
export function workWithDays(
  work: Omit<JobWork, 'days'>,
  rates: WorkRates,
  without: readonly Task[] = [],
  learned: LearnedTimes = {},
): { readonly hours: JobHours; readonly days: number } {
  const once = total(workOf({ ...work, days: 0 }, rates, without, learned));
  let days = daysOf(once, work.people);
  for (;;) {
    const hours = workOf({ ...work, days }, rates, without, learned);
    const needed = daysOf(total(hours), work.people);
    // What comes again each day is far less than a day of the crew, but where somebody types it so.
    if (needed <= days || days >= MOST_DAYS) return { hours, days };
    days = Math.min(needed, MOST_DAYS);
  }
}

/** No job of one crew is longer: rates that eat up each day are said as that. */
const MOST_DAYS = 1000;

/** How often hose and pump change colour and base when coatings are sprayed base by base. */
export function changesOf(bases: readonly ('water' | 'solvent')[]): { flushes: number; baseChanges: number } {
  const both = new Set(bases).size > 1;
  return { flushes: Math.max(0, bases.length - 1 - (both ? 1 : 0)), baseChanges: both ? 1 : 0 };
}

/** One line of what is done in a room before it is sprayed: how much of it, in what it is counted, and how long it takes one person, s. */
export interface SiteLine extends KindOfWork {
  readonly amount: number;
  readonly counted: 'run' | 'area' | 'count';
  readonly time: number;
}

/**
 * What there is to do on a site before the first coat, line by line in the order it is done: power and fittings, furniture, doors, washing to
 * caulking, dusting, covering and masking. Their times together are the hours of these tasks (`workOf`), without what height adds.
 */
export function siteLines(
  { protection, surfaces, inUse }: Pick<JobWork, 'protection' | 'surfaces' | 'inUse'>,
  rates: WorkRates,
  learned: LearnedTimes = {},
): readonly SiteLine[] {
  const { inTheWay, powerOff, rooms, doors, floorCover, maskingLine, fittings } = protection;
  const { washed, scraped, filled, sanded, caulked, area } = surfaces;
  const plain = (id: WorkRate, amount: number): SiteLine => {
    const time = amount * turned(id, rateInput(rates, id, learned).value);
    return { rate: id, amount, counted: workCountedIn(id) ?? 'count', time };
  };
  const mended = (id: MendingRate, areas: ByState): SiteLine[] =>
    STATES.filter((state) => BY_STATE[id][state] > 0).map((state) => {
      const each = mendingInput(rates, { rate: id, state }, learned).value;
      return { rate: id, state, amount: areas[state], counted: 'area', time: areas[state] * each };
    });
  return [
    plain('power', powerOff),
    plain('plates', inTheWay.plate),
    plain('lights', inTheWay.light),
    plain('alarms', inTheWay.alarm),
    plain('vents', inTheWay.vent),
    plain('curtains', inTheWay.curtain),
    plain('furniture', inUse ? rooms : 0),
    plain('floorCover', floorCover),
    plain('doors', doors),
    plain('washing', washed),
    ...mended('scraping', scraped),
    ...mended('filling', filled),
    ...mended('sanding', sanded),
    plain('caulking', caulked),
    plain('dusting', area),
    plain('fittings', fittings),
    plain('maskingLine', maskingLine),
  ].filter(({ amount }) => amount > 0);
}
