import type { SiteTimes } from './calendar';
import type { Placed, SiteJob, SitePlan } from './plan';
import { MIST, SET_UPS, SLOT, setUpBetween, type SiteTask } from './tasks';

const DAY = 1440;

/** A rule that a plan breaks, in words. */
export interface Broken {
  readonly rule:
    | 'missing'
    | 'time'
    | 'order'
    | 'closes'
    | 'people'
    | 'sprayer'
    | 'room'
    | 'mist'
    | 'closed'
    | 'weather'
    | 'night'
    | 'pin';
  readonly task: string;
  readonly text: string;
}

/** Whether a minute of the wall is one of work, by the times alone. */
function works(times: SiteTimes, minute: number): boolean {
  const day = Math.floor(minute / DAY);
  const within = minute - day * DAY;
  return (
    minute >= times.from &&
    times.workdays.includes((times.firstWeekday + day) % 7) &&
    within >= times.day.from &&
    within < times.day.to &&
    !times.breaks.some(({ from, to }) => within >= from && within < to) &&
    Array.from({ length: times.people }, (_unused, person) => person).some((person) =>
      isThere(times, person, day),
    )
  );
}
const isThere = ({ people, away }: SiteTimes, person: number, day: number): boolean =>
  person < people && !(away[day] ?? []).includes(person);

/** Working minutes of a plan's entry back from a moment: the set-up before a task lies in these. */
function workBefore(times: SiteTimes, until: number, minutes: number): number[] {
  const found: number[] = [];
  for (let minute = until - SLOT; found.length * SLOT < minutes && minute >= 0; minute -= SLOT)
    if (works(times, minute)) found.push(minute);
  return found;
}
function workAfter(times: SiteTimes, from: number, minutes: number): number[] {
  const found: number[] = [];
  for (let minute = from; found.length * SLOT < minutes && minute < from + 60 * DAY; minute += SLOT)
    if (works(times, minute)) found.push(minute);
  return found;
}

/** Says who works in which minutes, and for which task. */
type Take = (task: SiteTask, person: number | undefined, minutes: readonly number[]) => void;

/** Nobody works at two things in one minute, nor where he is away. */
function peopleRules(times: SiteTimes, broken: Broken[]): Take {
  const at = new Map<string, string>();
  const told = new Set<string>();
  return (task, person, minutes) => {
    const say = (text: string) => {
      if (!told.has(text)) broken.push({ rule: 'people', task: task.id, text });
      told.add(text);
    };
    if (person === undefined) say(`${task.name} has nobody on it.`);
    else
      for (const minute of minutes) {
        if (!isThere(times, person, Math.floor(minute / DAY)))
          say(`${task.name} is for somebody who is away.`);
        const key = `${person} ${minute}`;
        if (at.has(key)) say(`${task.name} is for somebody who is at other work.`);
        at.set(key, task.id);
      }
  };
}

/**
 * Every rule a plan must keep, looked at without anything of what made it: minute by minute from its tasks and times. What is begun
 * already may break some: it is where it is.
 * Nothing: it breaks none.
 */
export function brokenRules(
  { tasks, times: { times }, sprayers, loaded }: SiteJob,
  plan: SitePlan,
): readonly Broken[] {
  const broken: Broken[] = [];
  const byId = new Map(plan.placed.map((one) => [one.task, one]));
  const take = peopleRules(times, broken);
  const worked = new Map<string, readonly number[]>();
  for (const task of tasks) {
    const one = byId.get(task.id);
    const say = (rule: Broken['rule'], text: string) => broken.push({ rule, task: task.id, text });
    if (!one) {
      say('missing', `${task.name} is not in the plan.`);
      continue;
    }
    const minutes: number[] = [];
    for (let minute = one.start; minute < one.end; minute += SLOT)
      if (works(times, minute)) minutes.push(minute);
    worked.set(task.id, minutes);
    if (minutes.length * SLOT !== task.minutes || !works(times, one.start) || !works(times, one.end - SLOT))
      say('time', `${task.name} has ${minutes.length * SLOT} minutes of work and takes ${task.minutes}.`);
    if (new Set(one.people).size !== task.people || one.people.length !== task.people)
      say('people', `${task.name} takes ${task.people} people and has ${one.people.length}.`);
    for (const person of one.people) take(task, person, minutes);
    const { start, who = [] } = task.pin ?? {};
    if ((start !== undefined && one.start !== start) || who.some((person) => !one.people.includes(person)))
      say('pin', `${task.name} is not where it was put.`);
    if (one.start < (task.notBefore ?? -Infinity))
      say('order', `${task.name} comes before the coat under it is dry.`);
    for (const { task: id, least, most = Infinity } of task.after) {
      const before = byId.get(id);
      if (!before) continue;
      if (one.start < before.end + least) say('order', `${task.name} comes too early.`);
      if (one.start > before.end + most)
        say('closes', `${task.name} comes after the coat before has closed.`);
    }
    if (minutes.some((minute) => times.closed[task.room]?.includes(Math.floor(minute / DAY))))
      say('closed', `${task.room} is closed then.`);
    if (task.kind === 'spray') {
      if (Math.floor(one.start / DAY) !== Math.floor((one.end - 1) / DAY))
        say('night', `${task.name} is sprayed over a night.`);
      const until = one.end + (task.rainFast ?? 0);
      if (
        task.rainFast !== undefined &&
        times.dry &&
        !times.dry.some(({ from, to }) => one.start >= from && until <= to)
      )
        say('weather', `${task.name} is outside in the rain.`);
    }
  }
  const known = tasks.flatMap((task) => {
    const one = byId.get(task.id);
    return one ? [{ task, one }] : [];
  });
  sprayerRules(known, { sprayers, loaded }, times, take, broken);
  roomRules(known, worked, broken);
  return broken;
}

/** The first day with work. */
function firstDay(times: SiteTimes): number {
  for (let minute = 0; minute < 60 * DAY; minute += SLOT)
    if (works(times, minute)) return Math.floor(minute / DAY);
  return 0;
}

interface Known {
  readonly task: SiteTask;
  readonly one: Placed;
}

/** One task at a time on a sprayer, with its set-up before it, and the cleaning at the end of the day. */
function sprayerRules(
  known: readonly Known[],
  { sprayers, loaded }: Pick<SiteJob, 'sprayers' | 'loaded'>,
  times: SiteTimes,
  take: Take,
  broken: Broken[],
): void {
  const sprays = known.filter(({ task }) => task.kind === 'spray');
  const used = new Set(sprays.map(({ one }) => one.sprayer));
  if (used.has(undefined) || [...used].some((one) => (one ?? 0) >= sprayers))
    broken.push({ rule: 'sprayer', task: '', text: 'There is no such sprayer.' });
  for (const sprayer of used) {
    const all = sprays.filter(({ one }) => one.sprayer === sprayer).sort((a, b) => a.one.start - b.one.start);
    all.forEach(({ task, one }, index) => {
      const earlier = all[index - 1];
      const today =
        earlier && Math.floor(earlier.one.start / DAY) === Math.floor(one.start / DAY) ? earlier : undefined;
      const filled = Math.floor(one.start / DAY) === firstDay(times) ? loaded?.[sprayer ?? 0] : undefined;
      const setUp = Math.ceil(setUpBetween(today?.task ?? filled, task) / SLOT) * SLOT;
      const minutes = workBefore(times, one.start, setUp);
      take(task, one.people[0], minutes);
      if (
        one.setUp !== setUp ||
        minutes.length * SLOT !== setUp ||
        Math.min(...minutes) < (today?.one.end ?? -Infinity)
      )
        broken.push({ rule: 'sprayer', task: task.id, text: `${task.name} has no time for its set-up.` });
      if (minutes.some((minute) => Math.floor(minute / DAY) !== Math.floor(one.start / DAY)))
        broken.push({ rule: 'sprayer', task: task.id, text: `${task.name} is set up the day before.` });
      const next = all[index + 1];
      if (next && Math.floor(next.one.start / DAY) === Math.floor(one.start / DAY)) return;
      const clean = workAfter(times, one.end, SET_UPS.clean);
      take(task, one.people[0], clean);
      if (clean.some((minute) => Math.floor(minute / DAY) !== Math.floor(one.start / DAY)))
        broken.push({
          rule: 'sprayer',
          task: task.id,
          text: `The sprayer is not cleaned after ${task.name}.`,
        });
    });
  }
}

/** One team at a time in a room, and nobody by hand until the mist has gone. */
function roomRules(
  known: readonly Known[],
  worked: ReadonlyMap<string, readonly number[]>,
  broken: Broken[],
): void {
  const rooms = new Map<string, Map<number, Known>>();
  for (const each of known) {
    const room = rooms.get(each.task.room) ?? new Map<number, Known>();
    rooms.set(each.task.room, room);
    for (const minute of worked.get(each.task.id) ?? []) {
      const other = room.get(minute);
      if (other && other !== each)
        broken.push({
          ...{ rule: 'room', task: each.task.id },
          text: `${each.task.name} and ${other.task.name} are in one room.`,
        });
      room.set(minute, each);
    }
  }
  for (const { task, one } of known) {
    if (task.kind !== 'spray') continue;
    for (let minute = one.end; minute < one.end + MIST; minute += SLOT) {
      const other = rooms.get(task.room)?.get(minute);
      if (other?.task.kind === 'hand')
        broken.push({ rule: 'mist', task: other.task.id, text: `${other.task.name} begins in the mist.` });
    }
  }
}
