import { triangular } from '../quantities';
import { seeded } from '../random';
import { Placer, type SiteJob, type SitePlan } from './plan';
import { SET_UPS, SLOT, onGrid, type SiteTask } from './tasks';

/** When a job may be done: finishes that were drawn, earliest first, min from the first midnight. */
export interface Forecast {
  readonly finishes: readonly number[];
}

/** Minutes of spraying a day holds at most. */
function longestSpray({ times }: SiteJob): number {
  let most = 0;
  for (let slot = 0; slot < times.slots; slot += 1)
    most = Math.max(most, (times.dayEnd[slot] as number) - (times.dayStart[slot] as number));
  return Math.max(SLOT, most * SLOT - SET_UPS.load - SET_UPS.clean);
}

/** A task that takes so long: what is sprayed longer than a day goes on another, and what follows waits for the last of it. */
function parted(task: SiteTask, minutes: number, longest: number): readonly SiteTask[] {
  if (task.kind === 'hand' || task.running || minutes <= longest) return [{ ...task, minutes }];
  const id = `${task.id} more`;
  return [
    ...parted({ ...task, id }, minutes - longest, longest),
    { ...task, minutes: longest, after: [{ task: id, least: 0 }] },
  ];
}

/**
 * When the work of a plan may be done, from how far the time of its tasks may be off: for each draw one factor for each kind of work,
 * triangular over its spread, and the tasks placed in the order of the plan. Work of a kind is off together: that is what a rate is.
 * What is not in it: weather, deliveries, and people who are not there.
 * @returns nothing where an order finds no place in too many draws
 */
export function forecastOf(job: SiteJob, plan: SitePlan, seed: number, draws: number): Forecast | undefined {
  const random = seeded(seed);
  const factors = new Map<string, Float64Array>();
  for (const { spread } of job.tasks)
    if (spread && !factors.has(spread.by))
      factors.set(spread.by, triangular(spread.low, 1, spread.high, random.fill(new Float64Array(draws))));
  const starts = new Map(plan.placed.map(({ task, start }) => [task, start]));
  const inOrder = [...job.tasks].sort((a, b) => (starts.get(a.id) ?? 0) - (starts.get(b.id) ?? 0));
  const longest = longestSpray(job);
  const finishes: number[] = [];
  for (let draw = 0; draw < draws; draw += 1) {
    const tasks = inOrder.flatMap((task) => {
      const factor = (task.spread && factors.get(task.spread.by)?.[draw]) ?? 1;
      // Somebody put it there by the plan; on the day it is begun when it can be.
      const { pin, ...rest } = task;
      const free = pin?.start === undefined || task.running ? task : { ...rest, notBefore: pin.start };
      return parted(free, onGrid(task.minutes * factor), longest);
    });
    const placed = new Placer({ ...job, tasks }).place(tasks.map((_task, index) => index));
    if (placed) finishes.push(placed.finish);
  }
  // What found no place, late as it was, must not make the rest look early.
  return finishes.length < draws ? undefined : { finishes: finishes.sort((a, b) => a - b) };
}

/** How likely it is that the work is done by a moment, 0 to 1. */
export const chanceOf = ({ finishes }: Forecast, by: number): number =>
  finishes.filter((one) => one <= by).length / Math.max(1, finishes.length);

/** The moment by which the work is done with a chance, 0 to 1. */
export const finishBy = ({ finishes }: Forecast, chance: number): number =>
  finishes[Math.min(finishes.length - 1, Math.max(0, Math.ceil(chance * finishes.length) - 1))] ?? 0;
