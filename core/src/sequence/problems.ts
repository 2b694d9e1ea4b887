import type { SiteJob } from './plan';
import { SET_UPS, SLOT, type SiteTask } from './tasks';

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

/** What keeps a job from being planned; nothing where all of it can find a place. */
export function planProblems({ tasks, times, sprayers }: SiteJob): readonly PlanProblem[] {
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
    if (task.kind === 'spray' && task.minutes > usable)
      say(
        `${task.name} is ${Math.round(task.minutes / 6) / 10} h of spraying, and a day has ${Math.round(usable / 6) / 10}: part the surface.`,
        task,
      );
    if (task.rainFast !== undefined && dry?.length === 0)
      say(`${task.name} is outside, and there is no dry hour in the forecast: plan it later.`, task);
  }
  for (const room of Object.keys(closed)) {
    const days = new Set(times.dayOf);
    closed[room]?.forEach((day) => days.delete(day));
    const first = tasks.find((task) => task.room === room);
    if (days.size === 0 && first) say(`${room} is always closed: open it on some day.`, first);
  }
  return problems;
}
