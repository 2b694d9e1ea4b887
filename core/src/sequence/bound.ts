import type { Calendar } from './calendar';
import type { SiteJob } from './plan';
import { SET_UPS, slotsOf, type SiteTask } from './tasks';

/** What no plan can be done before, and what makes it so. */
export interface Bound {
  readonly finish: number;
  readonly binds: 'drying and order' | 'sprayer' | 'people';
}

/** The earliest a task can begin after a slot by the times alone: open, dry, within one day where it is sprayed. */
export function earliestAt(task: SiteTask, times: Calendar, from: number): number {
  const slots = slotsOf(task.minutes);
  for (let start = from; start + slots <= times.slots; start += 1) {
    const first = times.at[start] as number;
    const day = times.dayOf[start] as number;
    if (times.isClosed(task.room, day) || times.isClosed(task.room, times.dayOf[start + slots - 1] as number))
      continue;
    if (task.kind === 'spray') {
      if ((times.dayEnd[start] as number) < start + slots + slotsOf(SET_UPS.clean)) continue;
      // The machine is loaded first; on the first day it may be already.
      const load = start - slotsOf(SET_UPS.load);
      if (day !== times.dayOf[0] && (load < 0 || times.dayOf[load] !== day)) continue;
      if (task.rainFast !== undefined && !times.isDry(first, times.endOf(start + slots) + task.rainFast))
        continue;
    }
    return start;
  }
  return times.slots;
}

/** When each task can end at the earliest, were there people and sprayers without end: slots. */
export function headsOf({ tasks, times }: SiteJob): ReadonlyMap<string, number> | undefined {
  const ends = new Map<string, number>();
  const waiting = new Set(tasks);
  const ids = new Set(tasks.map(({ id }) => id));
  while (waiting.size > 0) {
    const before = waiting.size;
    for (const task of waiting) {
      const after = task.after.filter((one) => ids.has(one.task));
      if (!after.every((one) => ends.has(one.task))) continue;
      const from = after.reduce(
        (most, { task: id, least }) => Math.max(most, times.slotFrom(times.endOf(ends.get(id) ?? 0) + least)),
        times.slotFrom(Math.max(task.notBefore ?? 0, task.pin?.start ?? 0)),
      );
      // What is begun is where it is.
      const start = task.running
        ? times.slotFrom(Math.max(task.pin?.start ?? 0, times.times.from))
        : earliestAt(task, times, from);
      if (start >= times.slots) return undefined;
      ends.set(task.id, start + slotsOf(task.minutes));
      waiting.delete(task);
    }
    if (waiting.size === before) return undefined;
  }
  return ends;
}

/** The first slot by whose end so many slots of work of so many at a time can have been done. */
function doneBy(times: Calendar, wanted: number, perSlot: (slot: number) => number): number {
  let done = 0;
  for (let slot = 0; slot < times.slots; slot += 1) {
    done += perSlot(slot);
    if (done >= wanted) return slot + 1;
  }
  return times.slots;
}

/** Days of one sprayer that so many slots of spraying take at least: a day with its loading and cleaning holds no more. */
function leastDays(times: Calendar, slots: number): number {
  let longest = 0;
  for (let slot = 0; slot < times.slots; slot += 1)
    if (slot === 0 || times.dayOf[slot] !== times.dayOf[slot - 1])
      longest = Math.max(longest, (times.dayEnd[slot] as number) - slot);
  const usable = Math.max(1, longest - slotsOf(SET_UPS.load + SET_UPS.clean));
  return Math.ceil(slots / usable);
}

/**
 * Slots of set-up and cleaning that lie before the finish of any plan. Each day of a sprayer is loaded, and cleaned, but for the last
 * of each sprayer; a coating that no morning begins with is changed to. One day more costs more than the change it saves.
 */
function leastSetUps(sprays: readonly SiteTask[], days: number, sprayers: number, filled: number): number {
  const coatings = new Set(sprays.map(({ fluid }) => fluid?.coating)).size;
  return (
    Math.max(0, days - filled) * slotsOf(SET_UPS.load) +
    Math.max(0, days - sprayers) * slotsOf(SET_UPS.clean) +
    Math.max(0, coatings - days) * slotsOf(SET_UPS.flush)
  );
}

/**
 * A time before which no plan of a job can be done, with what makes it so: the longest way through drying and order, what sprayers can
 * spray, what people can do. Each holds for every plan; their largest is said.
 * @returns nothing where the work finds no place at all
 */
export function boundOf(job: SiteJob): Bound | undefined {
  const { tasks, times, sprayers, loaded = [] } = job;
  const heads = headsOf(job);
  if (!heads) return undefined;
  const path = Math.max(0, ...heads.values());
  const sprays = tasks.filter(({ kind }) => kind === 'spray');
  const spraySlots = sprays.reduce((sum, { minutes }) => sum + slotsOf(minutes), 0);
  // A sprayer that is filled, or sprays, when the plan begins is not loaded again that day.
  const filled = loaded.filter(Boolean).length + sprays.filter(({ running }) => running).length;
  const setUps = leastSetUps(sprays, leastDays(times, spraySlots), sprayers, filled);
  const sprayed = spraySlots > 0 ? doneBy(times, spraySlots + setUps, () => sprayers) : 0;
  const byHand = tasks.reduce((sum, { minutes, people }) => sum + slotsOf(minutes) * people, 0);
  const peopled = doneBy(times, byHand + setUps, (slot) => times.people[slot] as number);
  const all = [
    { slots: path, binds: 'drying and order' },
    { slots: sprayed, binds: 'sprayer' },
    { slots: peopled, binds: 'people' },
  ] as const;
  const most = all.reduce((one, other) => (other.slots > one.slots ? other : one));
  return { finish: times.endOf(most.slots), binds: most.binds };
}
