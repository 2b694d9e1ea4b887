import {
  comparePlan,
  nextCoats,
  recoatClocks,
  thinCoats,
  type CoatToDo,
  type JobsOfPaint,
  type OwnedTip,
  type SiteRecord,
  type ThinCoat,
} from '@fine-spray/core/record';
import { coreCoatings } from '../setupRequest';
import { entriesOfKind, timeOf, type Entry } from '../entry';
import type { Job, Surface } from '../job';
import type { ScheduleFields } from '../schedule';
import type { Kit } from './kit';
import { plannedCoats } from './plannedCoats';
import { minuteOf, timesOf } from './scheduleTimes';
import { placedOf, type SiteAsked } from './sitePlan';
import type { DoneCoat, SiteStep } from './siteTasks';

/** Where the work of a job stands by its log, in minutes of a plan. */
export interface SiteState {
  readonly done: readonly DoneCoat[];
  readonly steps: readonly SiteStep[];
  /** Coats that came out too thin by their combs, with none planned over them. */
  readonly thin: readonly ThinCoat[];
  /** Coats that wait for another and may not be gone over any more without abrading. */
  readonly closed: readonly CoatToDo[];
}

/** Where tasks stand: what was written of each last. */
export function stepsOf(entries: readonly Entry[], jobId: string, first: Date): readonly SiteStep[] {
  const found = new Map<string, SiteStep>();
  for (const { entry, payload } of entriesOfKind(entries, 'step')) {
    if (entry.jobId !== jobId) continue;
    const { task, did } = payload;
    const at = minuteOf(first, new Date(timeOf(entry)));
    if (did === 'put back') found.delete(task);
    else found.set(task, { task, at, state: did === 'started' ? 'running' : did });
  }
  return [...found.values()];
}

/** A log as the state of a job is read from it. */
export interface StateLog {
  readonly entries: readonly Entry[];
  readonly record: SiteRecord;
  readonly kit: Kit;
  readonly tips: readonly OwnedTip[];
  readonly jobsOfPaint: JobsOfPaint;
  /** The day a moment is on where people are. */
  readonly dayOf: (time: number) => number;
  /** ms since 1970: which windows have closed by now; none are looked at without it. */
  readonly now?: number | undefined;
}

/** Where the work of a job stands by its log. */
export function siteState(
  { entries, record, kit, tips, jobsOfPaint, dayOf, now }: StateLog,
  job: Job,
  surfaces: readonly Surface[],
  first: Date,
): SiteState {
  const planned = plannedCoats(surfaces, job, kit);
  const compared = comparePlan(planned, record, tips, job.id, jobsOfPaint, dayOf);
  const done = compared
    .flatMap(({ coats }) => coats)
    .flatMap(({ planned: { surface, coating, coat }, state, actual }): DoneCoat[] =>
      state === 'done' && actual?.finished
        ? [{ surface, coating, coat, at: minuteOf(first, new Date(actual.finished.at)) }]
        : [],
    );
  return {
    done,
    steps: stepsOf(entries, job.id, first),
    thin: thinCoats(compared),
    closed: now === undefined ? [] : closedFor(planned, record, kit, surfaces, now),
  };
}

/** The next coats of a job whose ground has closed: it is abraded before they go on. */
function closedFor(
  planned: Parameters<typeof nextCoats>[0],
  record: SiteRecord,
  kit: Kit,
  surfaces: readonly Surface[],
  now: number,
): readonly CoatToDo[] {
  const coatings = coreCoatings(kit.coatings);
  const clocks = recoatClocks(record, coatings, now, 'metric', new Set(surfaces.map(({ id }) => id)));
  const closed = new Set(clocks.filter(({ state }) => state === 'closed').map(({ surface }) => surface));
  return nextCoats(planned, record)
    .filter(({ surface }) => closed.has(surface))
    .map(({ surface, coating, coat }) => ({ surface, coating, coat }));
}

/** How a plan is made: what is known is followed, a sooner one is looked for from it, or it is planned as if nothing were known. */
export type PlanMode = 'follow' | 'sooner' | 'anew';

/** What is asked of the planner by how a job is planned, where it stands and the time. */
export function askedBy(
  fields: ScheduleFields,
  { done, steps }: SiteState,
  now: Date,
  { mode, tries }: { readonly mode: PlanMode; readonly tries: number },
): SiteAsked {
  const { first, school, drying, sprayers, seed, pins, wishes, outside, result } = fields;
  return {
    ...{ first, school, sprayers, seed, pins, wishes, outside, done, steps },
    weather: drying as SiteAsked['weather'],
    times: timesOf(fields, now),
    tries: mode === 'follow' && result ? 0 : tries,
    ...(mode !== 'anew' && result ? { before: placedOf(result) } : {}),
  };
}
