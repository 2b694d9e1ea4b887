import { earliestAt, headsOf } from './bound';
import type { SiteJob } from './plan';
import { SET_UPS, SLOT, slotsOf, type SiteTask } from './tasks';

/** Why there can be no plan, in a sentence that names what is in the way and a way out. */
export interface PlanProblem {
  readonly task: string | undefined;
  readonly text: string;
}

/** Tasks that wait for each other in a circle. */
function circle(tasks: readonly SiteTask[]): SiteTask | undefined {
  const done = new Set<string>();
  const ids = new Set(tasks.map(({ id }) => id));
  let waiting = [...tasks];
  for (;;) {
    const next = waiting.filter(({ after }) => after.some(({ task }) => ids.has(task) && !done.has(task)));
    waiting.forEach((task) => {
      if (!next.includes(task)) done.add(task.id);
    });
    if (next.length === waiting.length) return waiting[0];
    waiting = next;
  }
}

/** A minute in words where nothing says which day is the first: "day 2, 14:20". */
const counted = (minute: number): string =>
  `day ${Math.floor(minute / 1440) + 1}, ${Math.floor((minute % 1440) / 60)}:${String(minute % 60).padStart(2, '0')}`;

/** Why tasks cannot be where somebody put them, one by one. */
function pinProblems(job: SiteJob, when: (minute: number) => string): readonly PlanProblem[] {
  const { tasks, times } = job;
  const pinned = tasks.filter(({ pin, running }) => pin && !running);
  if (pinned.length === 0) return [];
  const problems: PlanProblem[] = [];
  const heads = headsOf({ ...job, tasks: tasks.map(({ pin: _pin, ...task }) => task) });
  for (const task of pinned) {
    const say = (text: string) => problems.push({ task: task.id, text });
    const { start, who = [] } = task.pin ?? {};
    if (who.some((person) => person >= times.times.people))
      say(`${task.name} is put on somebody who is not on the crew.`);
    if (who.length > task.people)
      say(
        `${task.name} takes ${task.people === 1 ? 'one person' : `${task.people} people`}, and is put on ${who.length}.`,
      );
    if (start === undefined) continue;
    const slot = times.slotFrom(start);
    const day = Math.floor(start / 1440);
    if (times.at[slot] !== start) say(`${task.name} is put at ${when(start)}, when there is no work.`);
    else if (times.isClosed(task.room, day))
      say(`${task.name} is put at ${when(start)}, when ${task.room} is closed.`);
    else if (who.some((person) => times.times.away[day]?.includes(person)))
      say(`${task.name} is put at ${when(start)} on somebody who is away then.`);
    const end = heads?.get(task.id);
    const earliest = end === undefined ? undefined : times.at[end - slotsOf(task.minutes)];
    if (earliest !== undefined && earliest > start)
      say(
        `${task.name} cannot begin ${when(start)}: what it waits for is done and dry ${when(earliest)} at the earliest.`,
      );
  }
  return problems;
}

/**
 * What keeps a job from being planned; nothing where all of it can find a place.
 * @param when says a minute of the plan as people do
 */
export function planProblems(
  job: SiteJob,
  when: (minute: number) => string = counted,
): readonly PlanProblem[] {
  const { tasks, times, sprayers } = job;
  const problems: PlanProblem[] = [];
  const say = (text: string, task?: SiteTask) => problems.push({ task: task?.id, text });
  const { people, closed, dry } = times.times;
  if (people < 1) say('Nobody is on the crew: put at least one person on it.');
  else if (times.slots === 0) say('There is no working day: choose at least one weekday with hours of work.');
  if (sprayers < 1 && tasks.some(({ kind }) => kind === 'spray'))
    say('There is no sprayer: put at least one on the job.');
  if (problems.length > 0) return problems;
  const inCircle = circle(tasks);
  if (inCircle) say(`${inCircle.name} waits for itself: take one of the wishes away.`, inCircle);
  const longest = Array.from(times.dayEnd).reduce((most, end, slot) => Math.max(most, end - slot), 0) * SLOT;
  const usable = longest - SET_UPS.load - SET_UPS.clean;
  for (const task of tasks) {
    if (task.people > people)
      say(`${task.name} takes ${task.people} people, and ${people} are on the crew.`, task);
    if (task.kind === 'spray' && !task.running && task.minutes > usable)
      say(
        `${task.name} is ${Math.round(task.minutes / 6) / 10} h of spraying, and a day has ${Math.round(usable / 6) / 10}: part the surface.`,
        task,
      );
    if (task.rainFast !== undefined && dry?.length === 0)
      say(`${task.name} is outside, and there is no dry hour in the forecast: plan it later.`, task);
    else if (task.rainFast !== undefined && !task.running && earliestAt(task, times, 0) >= times.slots)
      say(
        `${task.name} needs ${Math.round((task.minutes + task.rainFast) / 6) / 10} h of fit weather from its start, and the forecast has no such time while there is work: other weather, longer hours, or smaller parts.`,
        task,
      );
  }
  for (const room of Object.keys(closed)) {
    const days = new Set(times.dayOf);
    closed[room]?.forEach((day) => days.delete(day));
    const first = tasks.find((task) => task.room === room);
    if (days.size === 0 && first) say(`${room} is always closed: open it on some day.`, first);
  }
  return [...problems, ...pinProblems(job, when)];
}
