import { coatWindows, type CoatWindows } from '@fine-spray/core/coating';
import { addTo } from '@fine-spray/core/grouping';
import type { Task } from '@fine-spray/core/quantities';
import { onGrid, type Lag } from '@fine-spray/core/sequence';
import type { Element } from '@fine-spray/core/takeoff';
import { of, type Fraction, type Temperature } from '@fine-spray/core/units';
import { coreCoating } from '../setupRequest';
import type { Surface } from '../job';
import type { School } from '../schedule';
import { hoursOn, type PlannedWork } from './jobPlan';
import { roomName } from './siteRooms';
import { standByRoom, standsOfWork } from './stands';
import {
  coatsOf,
  minutes,
  sprayGroup,
  type CoatsKnown,
  type CoatToDo,
  type Group,
  type JobTask,
  type WindowsOf,
} from './siteCoats';

/** The weather coats are taken to dry in. */
export interface DryingWeather {
  readonly air: Temperature;
  readonly humidity: Fraction;
}
export const USUAL_WEATHER: DryingWeather = { air: of(20, '°C'), humidity: of(50, '%') };

/** A coat that is done, and when, min from the first midnight of the plan. */
export interface DoneCoat {
  readonly surface: string;
  readonly coating: string;
  /** Counted for its coating on its surface, from 1. */
  readonly coat: number;
  readonly at: number;
}

/** Where a task stands by the log: begun, done or skipped, and since when, min from the first midnight of the plan. */
export interface SiteStep {
  readonly task: string;
  readonly state: 'running' | 'done' | 'skipped';
  readonly at: number;
}

export interface JobTasks {
  /** What is left to do. */
  readonly tasks: readonly JobTask[];
  /** All of it, with what is done. */
  readonly all: readonly JobTask[];
  /** What is not in it, in words. */
  readonly missing: readonly string[];
}

/** How a job is made into tasks. */
export interface TasksAsked {
  readonly school: School;
  /** Coats dry in it; where a rule has no time for it, they dry as at 23 °C, and that is said. */
  readonly weather?: DryingWeather | undefined;
  /** Minutes of spraying a day holds: what is longer is parted. */
  readonly longest?: number | undefined;
  /** Coats that the log has as done: they are not sprayed again, and where one was, it was protected and prepared before. */
  readonly done?: readonly DoneCoat[] | undefined;
  /** Where tasks stand. */
  readonly steps?: readonly SiteStep[] | undefined;
  /** On the crew; as many as the company counts with where nothing is said. */
  readonly people?: number | undefined;
  /** Coats may be gone over in half the time. */
  readonly faster?: true | undefined;
  /** Working minutes from a moment until now: a task that is begun has as much less to go. */
  readonly worked?: ((from: number) => number) | undefined;
}

/** Of the time for doors, what is taken before they are sprayed: off, hardware off, racked. */
const DOORS_OFF = 0.6;

const PLACE: Readonly<Record<School, readonly (readonly Element[])[]>> = {
  'trim first': [['ceiling', 'edge'], ['trim', 'spindles', 'cabinet', 'door'], ['wall']],
  'walls first': [['ceiling', 'edge'], ['wall'], ['trim', 'spindles', 'cabinet', 'door']],
};
const stageOf = (element: Element, school: School): number => {
  const found = PLACE[school].findIndex((all) => all.includes(element));
  return found < 0 ? PLACE[school].length : found;
};

const sameCoats = (surface: Surface): string =>
  coatsOf(surface)
    .map(({ layer, coat }) => `${layer.role} ${layer.coatingId} ${coat}`)
    .join('; ');

/** Groups of a room, in the order of a school. */
function groupsOf(surfaces: readonly Surface[], school: School): readonly Group[] {
  const found = new Map<string, Surface[]>();
  for (const surface of surfaces)
    addTo(found, `${surface.element} ${surface.side} ${sameCoats(surface)}`, surface);
  return [...found.values()]
    .flatMap((all): Group[] => (all[0] ? [{ element: all[0].element, surfaces: all }] : []))
    .sort((one, other) => stageOf(one.element, school) - stageOf(other.element, school));
}

/**
 * Everything a job takes as tasks with their time, and what must come before with which waiting: room by room protected and prepared,
 * sprayed coat by coat in the order of a school, unmasked and touched up. Hours are those of the estimate; what comes again each day lies
 * in the calendar. What is done is left out, and what follows it waits until it is dry. Source: work.md, "The order of the work".
 */
export function siteTasks(work: PlannedWork, asked: TasksAsked): JobTasks {
  const { school, weather = USUAL_WEATHER, longest = Infinity, done = [], steps = [] } = asked;
  const people = asked.people ?? work.book.people;
  const missing: string[] = [];
  const windowsOf = windowsBy(work, weather, missing, asked.faster ? FASTER : 1);
  const rooms = new Map<string, Surface[]>();
  for (const surface of work.surfaces) addTo(rooms, roomName(surface.room), surface);
  const finished = new Map(done.map((one) => [`${one.surface} ${one.coating} ${one.coat}`, one.at]));
  const doneAt = (surface: Surface, { layer, counted }: CoatToDo) =>
    finished.get(`${surface.id} ${layer.coatingId} ${counted}`);
  const over = steps.filter(({ state }) => state !== 'running').map(({ task }) => task);
  const tasks = [...rooms].flatMap(([room, surfaces]) =>
    tasksOfRoom(work, { room, surfaces }, school, { windowsOf, longest, doneAt, steps: over, people }),
  );
  const stands = standByRoom(standsOfWork(work));
  const all = tasks.map((task): JobTask => {
    const stand = task.kind === 'spray' ? stands.get(task.room) : undefined;
    return stand === undefined ? task : { ...task, stand };
  });
  return { tasks: asTheyStand(all, asked), all, missing: [...new Set(missing)] };
}

/** Tasks without those that are done: what waits for them waits by the clock. One that is begun has less to go. */
function asTheyStand(
  tasks: readonly JobTask[],
  { steps = [], worked = () => 0 }: TasksAsked,
): readonly JobTask[] {
  const known = new Map(steps.map((one) => [one.task, one]));
  return tasks.flatMap((task): JobTask[] => {
    const step = known.get(task.id);
    if (step && step.state !== 'running') return [];
    const after: Lag[] = [];
    let notBefore = task.notBefore ?? -Infinity;
    for (const lag of task.after) {
      const before = known.get(lag.task);
      if (!before || before.state === 'running') after.push(lag);
      else if (before.state === 'done') notBefore = Math.max(notBefore, before.at + lag.least);
    }
    const left = { ...task, after, ...(Number.isFinite(notBefore) ? { notBefore } : {}) };
    return [step ? { ...left, running: true, minutes: onGrid(task.minutes - worked(step.at)) } : left];
  });
}

/** Paint sold as quick takes about half the time of the usual one to be gone over (judgement). */
const FASTER = 0.5;

/** Drying in a share of the time; a film that closes does so as late as before. */
function inShare({ recoat, touch, mask, ...rest }: CoatWindows, share: number): CoatWindows {
  const part = <Time extends { readonly value: number }>(time: Time): Time => ({
    ...time,
    value: time.value * share,
  });
  return { ...rest, recoat: part(recoat), touch: () => part(touch()), mask: () => part(mask()) };
}

/** Drying of each coating, worked out once. */
function windowsBy(work: PlannedWork, weather: DryingWeather, missing: string[], share: number): WindowsOf {
  const known = new Map<string, CoatWindows | undefined>();
  return (coatingId) => {
    if (known.has(coatingId)) return known.get(coatingId);
    const row = work.coatings.find(({ id }) => id === coatingId);
    const windows = row && coatWindows(coreCoating(row), weather.air, weather.humidity);
    if (windows && !windows.ok) missing.push(`${row.name}: ${windows.message}`);
    const usual = windows?.ok ? windows.value : undefined;
    const found = usual && share !== 1 ? inShare(usual, share) : usual;
    known.set(coatingId, found);
    return found;
  };
}

interface RoomToDo {
  readonly room: string;
  readonly surfaces: readonly Surface[];
}

function tasksOfRoom(
  work: PlannedWork,
  { room, surfaces }: RoomToDo,
  school: School,
  known: CoatsKnown,
): readonly JobTask[] {
  const { windowsOf, doneAt } = known;
  const begun = surfaces.some((surface) =>
    coatsOf(surface).some((coat) => doneAt(surface, coat) !== undefined),
  );
  const hours = hoursOn(work, surfaces);
  const taken = (parts: readonly (readonly [Task, number])[]) => {
    const sum = { value: 0, low: 0, high: 0 };
    for (const [task, share] of parts) {
      sum.value += share * minutes(hours[task]?.value ?? 0);
      sum.low += share * minutes(hours[task]?.low ?? 0);
      sum.high += share * minutes(hours[task]?.high ?? 0);
    }
    return sum;
  };
  const ids = surfaces.map(({ id }) => id);
  const tasks: JobTask[] = [];
  const byHand = (
    what: JobTask['what'],
    called: string,
    parts: readonly (readonly [Task, number])[],
    after: readonly Lag[],
  ): readonly Lag[] => {
    const { value, low, high } = taken(parts);
    if (value <= 0 || (begun && BEFORE_COATS.has(what))) return after;
    const id = `${room} ${what}`;
    tasks.push({
      ...{ id, name: `${room}: ${called}`, room, kind: 'hand', people: 1, after, surfaces: ids, what },
      ...{ minutes: onGrid(value), spread: { by: what, low: low / value, high: high / value } },
    });
    return [{ task: id, least: 0 }];
  };
  const off = byHand(
    'protect',
    'protect',
    [
      ['furniture', 1],
      ['fittings', 1],
      ['doors', DOORS_OFF],
    ],
    [],
  );
  const prepared = byHand(
    'prepare',
    'wash, fill, sand, dust',
    [
      ['preparing', 1],
      ['caulking', 1],
      ['dusting', 1],
      ['height', 1],
    ],
    off,
  );
  const masked = byHand('mask', 'mask and cover', [['masking', 1]], prepared);
  const between = minutes(hours.between?.value ?? 0);
  let before = masked;
  let stage: number | undefined;
  const ends: Lag[] = [];
  const groups = groupsOf(surfaces, school);
  const fine = groups.filter(({ surfaces: all }) => between > 0 && isFine(all)).length;
  for (const group of groups) {
    const now = stageOf(group.element, school);
    const last = ends[ends.length - 1];
    // Tape goes on what was sprayed before; a ceiling is met with a shield.
    if (last && stage !== undefined && stage !== now && stage > 0)
      before = [maskedOver(last, tasks, windowsOf)];
    stage = now;
    const sanded = isFine(group.surfaces) && fine > 0 ? between / fine : 0;
    const end = sprayGroup(work, { ...group, room }, before, sanded, known, tasks);
    if (end) {
      ends.push(end);
      before = [{ task: end.task, least: 0 }];
    }
  }
  const dry = ends.map(({ task }): Lag => ({ task, least: touchDry(task, tasks, windowsOf) }));
  const unmasked = byHand('unmask', 'unmask and clean', [['unmasking', 1]], dry.length > 0 ? dry : masked);
  byHand(
    'touch up',
    'touch up, hardware back',
    [
      ['touchUp', 1],
      ['doors', 1 - DOORS_OFF],
    ],
    unmasked,
  );
  return tasks;
}

/** What is done in a room before its first coat. */
const BEFORE_COATS: ReadonlySet<string> = new Set(['protect', 'prepare', 'mask']);

const FINE: ReadonlySet<Element> = new Set(['door', 'cabinet', 'trim', 'spindles']);
const isFine = (surfaces: readonly Surface[]): boolean =>
  surfaces.some((surface) => FINE.has(surface.element) && coatsOf(surface).length > 1);

const windowOfTask = (
  id: string,
  tasks: readonly JobTask[],
  windowsOf: WindowsOf,
): CoatWindows | undefined => {
  const coating = tasks.find((one) => one.id === id)?.coat?.coatingId;
  return coating === undefined ? undefined : windowsOf(coating);
};
const touchDry = (id: string, tasks: readonly JobTask[], windowsOf: WindowsOf): number =>
  minutes(windowOfTask(id, tasks, windowsOf)?.touch().value ?? 0);
const maskedOver = ({ task }: Lag, tasks: readonly JobTask[], windowsOf: WindowsOf): Lag => ({
  task,
  least: minutes(windowOfTask(task, tasks, windowsOf)?.mask().value ?? 0),
});
