import { coatingValues } from '@fine-spray/core/coating';
import {
  Calendar,
  HORIZON,
  SET_UPS,
  SLOT,
  boundOf,
  brokenRules,
  finishBy,
  forecastOf,
  movedTasks,
  planProblems,
  repairPlan,
  searchPlan,
  type Bound,
  type Loaded,
  type Moved,
  type Placed,
  type SiteJob,
  type SitePlan,
  type SiteTimes,
  type Span,
} from '@fine-spray/core/sequence';
import { quantity, type Temperature } from '@fine-spray/core/units';
import { WIND_LIMITS, fitSpans, type ScriptedDayId } from '@fine-spray/core/weather';
import { ratesOf } from '../book';
import type { ScheduleFields, ScheduleResult, School } from '../schedule';
import { coreCoating } from '../setupRequest';
import type { PlannedWork } from './jobPlan';
import type { JobTask } from './siteCoats';
import { siteTasks, type DoneCoat, type DryingWeather, type SiteStep } from './siteTasks';
import { standsOfWork } from './stands';
import type { WorkedOut } from './wholeJob';

/** What a plan of the days is asked with. */
export interface SiteAsked {
  /** The day minutes are counted from, "2026-12-01": for words. */
  readonly first: string;
  readonly school: School;
  readonly weather: DryingWeather;
  readonly times: SiteTimes;
  readonly sprayers: number;
  readonly seed: number;
  readonly tries: number;
  /** Coats that are done already. */
  readonly done?: readonly DoneCoat[];
  /** Where tasks stand by the log. */
  readonly steps?: readonly SiteStep[];
  /** Where somebody put tasks; of those that are done nothing is asked. */
  readonly pins?: ScheduleFields['pins'];
  readonly wishes?: ScheduleFields['wishes'];
  /** Days of the simulated station outside, from the first, over and over; none: it stays dry. */
  readonly outside?: readonly ScriptedDayId[];
  /** The plan people know: as little as can be is moved of it. */
  readonly before?: readonly Placed[] | undefined;
  /** Paint that may be gone over in half the time. */
  readonly faster?: true;
  /** Hose added to that of the job, m. */
  readonly moreHose?: number | undefined;
  /** Without the chance of its finish: that takes longer than a plan that is only followed. */
  readonly unsure?: true;
}

/** A plan of the days with what it stands on, or why there is none. */
export type SitePlanned =
  | {
      readonly ok: true;
      /** What is left to do. */
      readonly tasks: readonly JobTask[];
      readonly plan: SitePlan;
      readonly bound: Bound;
      /** When there is work, without what comes again each day. */
      readonly times: SiteTimes;
      readonly chances: ScheduleResult['chances'];
      /** What of the plan before is otherwise now. */
      readonly moved: readonly Moved[];
      /** What is said of it: rules that are broken by work that is begun. */
      readonly notes: readonly string[];
      /** What is not in it. */
      readonly missing: readonly string[];
    }
  | { readonly ok: false; readonly done: boolean; readonly messages: readonly string[] };
export type SitePlanFound = Extract<SitePlanned, { ok: true }>;

/**
 * The hours of a crew with what comes again each day taken off: it sets the site up first and clears it up last, all of it together. The
 * machine is loaded and cleaned within its day.
 */
function withinDay(
  hours: Span,
  breaks: readonly Span[],
  crew: number,
  rates: ReturnType<typeof ratesOf>,
): { readonly day: Span; /** Minutes of spraying it holds. */ readonly longest: number } {
  const inSlots = (minutes: number) => Math.ceil(minutes / Math.max(1, crew) / SLOT) * SLOT;
  const cleared = Math.max(0, rates.cleanUp - SET_UPS.clean);
  const day = { from: hours.from + inSlots(rates.setUp), to: hours.to - inSlots(cleared) };
  const paused = breaks.reduce((sum, { from, to }) => sum + to - from, 0);
  return { day, longest: Math.max(SLOT, day.to - day.from - paused - SET_UPS.load - SET_UPS.clean) };
}

const DAY = 1440;

/** A minute of a plan as people say it: "Tuesday 3 December, 7:40". */
export function planMoment(first: string, minute: number): string {
  const day = new Date(Date.parse(first) + Math.floor(minute / DAY) * DAY * 60_000);
  const within = ((minute % DAY) + DAY) % DAY;
  const words = new Intl.DateTimeFormat('en-GB', {
    ...{ weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' },
  }).format(day);
  return `${words.replace(',', '')}, ${Math.floor(within / 60)}:${String(within % 60).padStart(2, '0')}`;
}

/** Working minutes between two moments. */
function workedBy(times: SiteTimes): (from: number) => number {
  const until = times.from;
  return (from) => {
    const { at } = new Calendar({ ...times, from: Math.min(from, until) });
    return at.filter((minute) => minute < until).length * SLOT;
  };
}

/** What a sprayer is filled with now: what it sprayed last today. */
function loadedBy(
  all: readonly JobTask[],
  { steps = [], before = [], sprayers, times }: SiteAsked,
): SiteJob['loaded'] {
  const today = Math.floor(times.from / DAY);
  const byId = new Map(all.map((task) => [task.id, task]));
  const loaded: (Loaded | undefined)[] = new Array<undefined>(sprayers).fill(undefined);
  for (const { task: id, at, state } of [...steps].sort((a, b) => a.at - b.at)) {
    const task = byId.get(id);
    if (task?.kind !== 'spray' || state !== 'done' || Math.floor(at / DAY) !== today) continue;
    const sprayer = before.find((one) => one.task === id)?.sprayer ?? 0;
    if (sprayer < sprayers) loaded[sprayer] = { fluid: task.fluid, room: task.room, stand: task.stand };
  }
  return loaded;
}

/** Tasks where somebody put them, with what is to come before what; what is begun stays with who is on it. */
function asPut(
  tasks: readonly JobTask[],
  { pins = [], wishes = [], before = [] }: SiteAsked,
): readonly JobTask[] {
  const pinned = new Map(pins.map((pin) => [pin.task, pin]));
  const people = new Map(before.map((one) => [one.task, one.people]));
  return tasks.map((task): JobTask => {
    const pin = pinned.get(task.id);
    const who = task.running ? people.get(task.id) : pin?.who;
    const start = task.running ? undefined : (pin?.start ?? undefined);
    const later = wishes
      .filter((wish) => wish.before === task.id)
      .map(({ task: id }) => ({ task: id, least: 0 }));
    return {
      ...task,
      ...(later.length > 0 ? { after: [...task.after, ...later] } : {}),
      ...(start !== undefined || (who?.length ?? 0) > 0 ? { pin: { start, who } } : {}),
    };
  });
}

/** Draws of when it may be done: half a per cent of a day apart. */
const DRAWS = 200;
const LIKELY = 0.8;
const SAFE = 0.95;

/** A job made ready to be planned, or why it cannot be. */
function siteOf({ work, unquantified }: WorkedOut, asked: SiteAsked) {
  const { school, weather, times, sprayers, done = [], steps = [], outside = [] } = asked;
  const refuse = (messages: readonly string[], over = false) =>
    ({ ok: false, done: over, messages }) as const;
  if (!work)
    return refuse([
      unquantified ?? 'There is nothing to plan yet: the job has no surfaces that could be planned.',
    ]);
  const { day, longest } = withinDay(times.day, times.breaks, times.people, ratesOf(work.book));
  const worked = { ...times, day };
  const { faster, moreHose = 0 } = asked;
  const hose = work.hose === undefined ? undefined : work.hose + moreHose;
  const made = siteTasks(
    { ...work, hose },
    {
      ...{ school, weather, longest, done, steps, people: times.people, faster },
      worked: workedBy(worked),
    },
  );
  if (made.tasks.length === 0) return refuse(['All of it is done.'], true);
  const tasks = asPut(made.tasks, asked);
  const fit = { minimum: coldest(tasks, work.coatings), wind: WIND_LIMITS.stop };
  const dry = outside.length > 0 ? { dry: fitSpans(outside, fit, HORIZON) } : {};
  const calendar = new Calendar({ ...worked, ...dry });
  const site: SiteJob = { tasks, times: calendar, sprayers, loaded: loadedBy(made.all, asked) };
  const problems = planProblems(site, (minute) => planMoment(asked.first, minute));
  if (problems.length > 0) return refuse(problems.map(({ text }) => text));
  return { ok: true, site, tasks, times: calendar.times, missing: made.missing, book: work.book } as const;
}

/** The lowest temperature that all coatings outside can be laid at. */
function coldest(tasks: readonly JobTask[], coatings: PlannedWork['coatings']): Temperature {
  const outside = new Set(
    tasks.filter(({ rainFast }) => rainFast !== undefined).map(({ coat }) => coat?.coatingId),
  );
  const all = coatings.filter(({ id }) => outside.has(id));
  return quantity(Math.max(0, ...all.map((row) => coatingValues(coreCoating(row)).minimumTemperature)));
}

function chancesFrom(site: SiteJob, plan: SitePlan, seed: number): ScheduleResult['chances'] {
  const forecast = forecastOf(site, plan, seed, DRAWS);
  return forecast ? { likely: finishBy(forecast, LIKELY), safe: finishBy(forecast, SAFE) } : null;
}

/** By when a plan that was found is likely done: it takes longer than following the plan, and is told after it. */
export function chancesOf(worked: WorkedOut, asked: SiteAsked, plan: SitePlan): ScheduleResult['chances'] {
  const made = siteOf(worked, asked);
  return made.ok ? chancesFrom(made.site, plan, asked.seed) : null;
}

/**
 * Plans the days of a job: its tasks, an order of them that is searched, and a time before which no plan can be done. Where people know a
 * plan already, what is in the way of it moves, and with tries a better one is looked for from there. A plan that would break a rule is
 * not given: an apart checker looks at each; what is begun may, and that is said.
 * @param onward told now and then how far it is, with the best so far; says whether to go on
 */
export function planSite(
  worked: WorkedOut,
  asked: SiteAsked,
  onward?: (done: number, best: SitePlan) => boolean,
): SitePlanned {
  const made = siteOf(worked, asked);
  if (!made.ok) return made;
  const { site, tasks, times, missing, book } = made;
  const { seed, tries, before } = asked;
  const bound = boundOf(site);
  const kept = before && repairPlan(site, before);
  const plan =
    tries > 0 || !kept ? searchPlan(site, { seed, tries, from: kept, ...(onward ? { onward } : {}) }) : kept;
  const refuse = (messages: readonly string[]) => ({ ok: false, done: false, messages }) as const;
  if (!bound || !plan)
    return refuse([
      tasks.some(({ pin, running }) => pin && !running)
        ? 'With the tasks where they were put no plan was found: let one of them go.'
        : 'No order was found in which all of it finds a place: give it more days, people or dry weather.',
    ]);
  const running = new Set(tasks.filter((task) => task.running).map(({ id }) => id));
  const broken = brokenRules(site, plan);
  const wrong = broken.filter(({ task }) => !running.has(task));
  // Beside what is begun nothing stands in the plan that breaks a rule by itself.
  if (wrong.length > 0 && running.size === 0) return refuse(wrong.map(({ text }) => text));
  return {
    ok: true,
    ...{ tasks, plan, bound, times },
    chances: asked.unsure ? null : chancesFrom(site, plan, seed),
    moved: before ? movedTasks(before, plan) : [],
    notes: broken.map(({ text }) => text),
    missing: [
      ...missing,
      ...(worked.refused > 0 ? [`${worked.refused} surfaces without a set-up`] : []),
      ...book.notCounted,
    ],
  };
}

/** A plan as it is stored. */
export const scheduleResult = ({ plan, bound, chances }: SitePlanFound): ScheduleResult => ({
  placed: plan.placed.map(({ task, start, end, people, sprayer = null, setUp }) => ({
    ...{ task, start, end, people: [...people], sprayer, setUp },
  })),
  ...{ finish: plan.finish, bound, chances },
});
/** Places of a plan as it was stored. */
export const placedOf = ({ placed }: ScheduleResult): readonly Placed[] =>
  placed.map(({ sprayer, ...one }) => ({ ...one, ...(sprayer === null ? {} : { sprayer }) }));

/** Ways a job could be planned otherwise. */
export const OTHER_WAYS = [
  'one person more',
  'another sprayer',
  'the other order',
  'faster paint',
  'another hose',
] as const;
export type OtherWay = (typeof OTHER_WAYS)[number];

/** Hose that is added where another is tried, m. */
export const ANOTHER_HOSE = 15;

/** What is asked with a way changed. */
export function askedOtherwise(asked: SiteAsked, way: OtherWay): SiteAsked {
  const { times, sprayers, school } = asked;
  if (way === 'one person more') return { ...asked, times: { ...times, people: times.people + 1 } };
  if (way === 'another sprayer') return { ...asked, sprayers: sprayers + 1 };
  if (way === 'faster paint') return { ...asked, faster: true };
  if (way === 'another hose') return { ...asked, moreHose: (asked.moreHose ?? 0) + ANOTHER_HOSE };
  return { ...asked, school: school === 'trim first' ? 'walls first' : 'trim first' };
}

/** Whether there is anything to gain by a way: another hose, only where the machine stands in several places. */
function isOpen(way: OtherWay, { work }: WorkedOut): boolean {
  if (way !== 'another hose') return true;
  return ((work && standsOfWork(work))?.stands.length ?? 0) > 1;
}

/** What a way would come to. */
export interface OtherPlan {
  readonly way: OtherWay;
  readonly finish: number;
  readonly personMinutes: number;
}

/** A job planned each other way, with as many tries; ways that find no plan are left out. */
export function otherPlans(worked: WorkedOut, asked: SiteAsked): readonly OtherPlan[] {
  return OTHER_WAYS.filter((way) => isOpen(way, worked)).flatMap((way): OtherPlan[] => {
    const planned = planSite(worked, { ...askedOtherwise(asked, way), unsure: true });
    if (!planned.ok) return [];
    const { finish, personMinutes } = planned.plan;
    return [{ way, finish, personMinutes }];
  });
}

/** What of its times a plan's tasks depend on: how long a day is, and for how many. */
interface TimesOfDay {
  readonly times: Pick<SiteTimes, 'day' | 'breaks' | 'people'>;
}

/** All tasks of a job as a plan was asked for, whatever of them is done, by their id: what a stored plan names. */
export function tasksAsked(
  { work }: WorkedOut,
  { school, weather, times }: Pick<SiteAsked, 'school' | 'weather'> & TimesOfDay,
): ReadonlyMap<string, JobTask> {
  if (!work) return new Map();
  const { longest } = withinDay(times.day, times.breaks, times.people, ratesOf(work.book));
  const { all } = siteTasks(work, { school, weather, longest, people: times.people });
  return new Map(all.map((task) => [task.id, task]));
}

/** The same by the fields of a stored plan. */
export const daysOfSchedule = (
  worked: WorkedOut,
  {
    school,
    drying,
    hours,
    breaks,
    crew,
  }: Pick<ScheduleFields, 'school' | 'drying' | 'hours' | 'breaks' | 'crew'>,
): ReadonlyMap<string, JobTask> =>
  tasksAsked(worked, {
    school,
    weather: drying as DryingWeather,
    times: { day: hours, breaks, people: crew.length },
  });

/** A day of a stored plan as it is printed. */
export interface DayPage {
  /** "Tuesday 1 December". */
  readonly title: string;
  readonly lines: readonly {
    readonly time: string;
    readonly who: string;
    readonly task: string;
    /** min */
    readonly setUp: number;
  }[];
}

/** The days of a stored plan, each with its tasks in the order they begin. */
export function dayPages(
  { first, crew }: Pick<ScheduleFields, 'first' | 'crew'>,
  { placed }: ScheduleResult,
): readonly DayPage[] {
  const days = new Map<number, ScheduleResult['placed']>();
  for (const one of [...placed].sort((a, b) => a.start - b.start || a.end - b.end)) {
    const day = Math.floor(one.start / DAY);
    days.set(day, [...(days.get(day) ?? []), one]);
  }
  const clock = (minute: number) => planMoment(first, minute).split(', ')[1] ?? '';
  return [...days].map(([day, all]) => ({
    title: planMoment(first, day * DAY).split(', ')[0] ?? '',
    lines: all.map(({ start, end, people, task, setUp }) => ({
      time: `${clock(start)}–${Math.floor((end - 1) / DAY) > day ? planMoment(first, end) : clock(end)}`,
      who: people.map((one) => crew[one]?.name ?? 'somebody').join(', '),
      ...{ task, setUp },
    })),
  }));
}
