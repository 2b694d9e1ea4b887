import {
  Calendar,
  SET_UPS,
  SLOT,
  boundOf,
  brokenRules,
  planProblems,
  searchPlan,
  type Bound,
  type SitePlan,
  type SiteTimes,
} from '@fine-spray/core/sequence';
import { ratesOf } from '../book';
import { siteTasks, type DoneCoat, type DryingWeather, type JobTask, type School } from './siteTasks';
import type { WorkedOut } from './wholeJob';

/** What a plan of the days is asked with. */
export interface SiteAsked {
  readonly school: School;
  readonly weather: DryingWeather;
  readonly times: SiteTimes;
  readonly sprayers: number;
  readonly seed: number;
  readonly tries: number;
  /** Coats that are done already. */
  readonly done?: readonly DoneCoat[];
}

/** A plan of the days with what it stands on, or why there is none. */
export type SitePlanned =
  | {
      readonly ok: true;
      readonly tasks: readonly JobTask[];
      readonly plan: SitePlan;
      readonly bound: Bound;
      /** When there is work, without what comes again each day. */
      readonly times: SiteTimes;
      /** What is not in it. */
      readonly missing: readonly string[];
    }
  | { readonly ok: false; readonly messages: readonly string[] };

/**
 * The times of a crew with what comes again each day taken off: it sets the site up first and clears it up last, all of it together. The
 * machine is loaded and cleaned within its day.
 */
function withoutSetUp(times: SiteTimes, rates: ReturnType<typeof ratesOf>): SiteTimes {
  const people = Math.max(1, times.people);
  const inSlots = (minutes: number) => Math.ceil(minutes / people / SLOT) * SLOT;
  const cleared = Math.max(0, rates.cleanUp - SET_UPS.clean);
  return {
    ...times,
    day: { from: times.day.from + inSlots(rates.setUp), to: times.day.to - inSlots(cleared) },
  };
}

/**
 * Plans the days of a job: its tasks, an order of them that is searched, and a time before which no plan can be done. A plan that would
 * break a rule is not given: an apart checker looks at each.
 * @param onward told now and then how far it is, with the best so far; says whether to go on
 */
export function planSite(
  { work, unquantified, refused }: WorkedOut,
  { school, weather, times, sprayers, seed, tries, done = [] }: SiteAsked,
  onward?: (done: number, best: SitePlan) => boolean,
): SitePlanned {
  if (!work)
    return {
      ok: false,
      messages: [
        unquantified ?? 'There is nothing to plan yet: the job has no surfaces that could be planned.',
      ],
    };
  const worked = withoutSetUp(times, ratesOf(work.book));
  const calendar = new Calendar(worked);
  const breaks = times.breaks.reduce((sum, { from, to }) => sum + to - from, 0);
  const longest = Math.max(SLOT, worked.day.to - worked.day.from - breaks - SET_UPS.load - SET_UPS.clean);
  const { tasks, missing } = siteTasks(work, school, weather, longest, done);
  if (tasks.length === 0) return { ok: false, messages: ['All of it is done.'] };
  const site = { tasks, times: calendar, sprayers };
  const problems = planProblems(site);
  if (problems.length > 0) return { ok: false, messages: problems.map(({ text }) => text) };
  const bound = boundOf(site);
  const plan = searchPlan(site, { seed, tries, ...(onward ? { onward } : {}) });
  if (!bound || !plan)
    return {
      ok: false,
      messages: [
        'No order was found in which all of it finds a place: give it more days, people or dry weather.',
      ],
    };
  const broken = brokenRules(site, plan);
  if (broken.length > 0) return { ok: false, messages: broken.map(({ text }) => text) };
  return {
    ok: true,
    ...{ tasks, plan, bound, times: worked },
    missing: [
      ...missing,
      ...(refused > 0 ? [`${refused} surfaces without a set-up`] : []),
      ...work.book.notCounted,
    ],
  };
}

/** Ways a job could be planned otherwise. */
export const OTHER_WAYS = ['one person more', 'another sprayer', 'the other order'] as const;
export type OtherWay = (typeof OTHER_WAYS)[number];

/** What is asked with a way changed. */
export function askedOtherwise(asked: SiteAsked, way: OtherWay): SiteAsked {
  const { times, sprayers, school } = asked;
  if (way === 'one person more') return { ...asked, times: { ...times, people: times.people + 1 } };
  if (way === 'another sprayer') return { ...asked, sprayers: sprayers + 1 };
  return { ...asked, school: school === 'trim first' ? 'walls first' : 'trim first' };
}

/** What a way would come to. */
export interface OtherPlan {
  readonly way: OtherWay;
  readonly finish: number;
  readonly personMinutes: number;
}

/** A job planned each other way, with as many tries; ways that find no plan are left out. */
export function otherPlans(worked: WorkedOut, asked: SiteAsked): readonly OtherPlan[] {
  return OTHER_WAYS.flatMap((way): OtherPlan[] => {
    const planned = planSite(worked, askedOtherwise(asked, way));
    if (!planned.ok) return [];
    const { finish, personMinutes } = planned.plan;
    return [{ way, finish, personMinutes }];
  });
}
