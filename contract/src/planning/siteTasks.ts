import { archetypeOf, coatWindows, type CoatWindows } from '@fine-spray/core/coating';
import { addTo } from '@fine-spray/core/grouping';
import { sprayingTime, type Task } from '@fine-spray/core/quantities';
import { onGrid, type Lag, type SiteTask } from '@fine-spray/core/sequence';
import { ELEMENT_DATA, type Element } from '@fine-spray/core/takeoff';
import { of, type Fraction, type Temperature } from '@fine-spray/core/units';
import { coreCoating } from '../setupRequest';
import type { Surface } from '../job';
import { hoursOn, type PlannedWork } from './jobPlan';
import { LAYER_NAMES, layersOf, type SurfaceLayer } from './layers';

/** In which order a room is sprayed; ceilings come first in both. */
export const SCHOOLS = ['trim first', 'walls first'] as const;
export type School = (typeof SCHOOLS)[number];

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

/** A task of a job, with the surfaces it is on and, where it is a coat, of what. */
export interface JobTask extends SiteTask {
  readonly surfaces: readonly string[];
  readonly coatingId?: string | undefined;
}

export interface JobTasks {
  readonly tasks: readonly JobTask[];
  /** What is not in it, in words. */
  readonly missing: readonly string[];
}

/** Surfaces of a room that are sprayed together: of one kind, with the same coats. */
interface Group {
  readonly element: Element;
  readonly surfaces: Surface[];
}

/** A leaf lies for so long before it is turned, min: overnight; judgement, the sheet comes first. */
const TO_HANDLE = 12 * 60;
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

/** A coat of a surface: of which of its layers, and which of that layer. */
interface CoatToDo {
  readonly layer: SurfaceLayer;
  /** Which it is of the layers with its coating. */
  readonly again: number;
  readonly coat: number;
  /** Counted for its coating over all layers: as the log counts. */
  readonly counted: number;
}

/** The coats of a surface in their order. */
function coatsOf(surface: Surface): readonly CoatToDo[] {
  const seen = new Map<string, { layers: number; coats: number }>();
  return layersOf(surface).flatMap((layer) => {
    const before = seen.get(layer.coatingId) ?? { layers: 0, coats: 0 };
    seen.set(layer.coatingId, { layers: before.layers + 1, coats: before.coats + layer.coats });
    return Array.from({ length: layer.coats }, (_unused, index) => ({
      ...{ layer, again: before.layers, coat: index + 1 },
      counted: before.coats + index + 1,
    }));
  });
}
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

const minutes = (seconds: number): number => seconds / 60;

/**
 * Everything a job takes as tasks with their time, and what must come before with which waiting: room by room protected and prepared,
 * sprayed coat by coat in the order of a school, unmasked and touched up. Hours are those of the estimate; what comes again each day lies
 * in the calendar. Source: work.md, "The order of the work".
 * @param weather coats dry in it; where the rule has no time for it, they dry as at 23 °C, and that is said
 * @param longest minutes of spraying a day holds: what is longer is parted
 * @param done coats that the log has as done: they are not sprayed again, and where one was, it was protected and prepared before
 */
export function siteTasks(
  work: PlannedWork,
  school: School,
  weather: DryingWeather = USUAL_WEATHER,
  longest = Infinity,
  done: readonly DoneCoat[] = [],
): JobTasks {
  const missing: string[] = [];
  const windowsOf = windowsBy(work, weather, missing);
  const rooms = new Map<string, Surface[]>();
  for (const surface of work.surfaces) addTo(rooms, surface.room, surface);
  const finished = new Map(done.map((one) => [`${one.surface} ${one.coating} ${one.coat}`, one.at]));
  const doneAt: DoneAt = (surface, { layer, counted }) =>
    finished.get(`${surface.id} ${layer.coatingId} ${counted}`);
  const tasks = [...rooms].flatMap(([room, surfaces], index) =>
    tasksOfRoom(work, { room, surfaces, key: `r${index}` }, school, { windowsOf, longest, doneAt }),
  );
  return { tasks, missing: [...new Set(missing)] };
}

type WindowsOf = (coatingId: string) => CoatWindows | undefined;

/** Drying of each coating, worked out once. */
function windowsBy(work: PlannedWork, weather: DryingWeather, missing: string[]): WindowsOf {
  const known = new Map<string, CoatWindows | undefined>();
  return (coatingId) => {
    if (known.has(coatingId)) return known.get(coatingId);
    const row = work.coatings.find(({ id }) => id === coatingId);
    const windows = row && coatWindows(coreCoating(row), weather.air, weather.humidity);
    if (windows && !windows.ok) missing.push(`${row.name}: ${windows.message}`);
    const found = windows?.ok ? windows.value : undefined;
    known.set(coatingId, found);
    return found;
  };
}

/** When a coat of a surface was done; nothing where it is to do. */
type DoneAt = (surface: Surface, coat: CoatToDo) => number | undefined;

/** What every room is planned with. */
interface Known {
  readonly windowsOf: WindowsOf;
  readonly longest: number;
  readonly doneAt: DoneAt;
}

interface RoomToDo {
  readonly room: string;
  readonly surfaces: readonly Surface[];
  readonly key: string;
}

function tasksOfRoom(
  work: PlannedWork,
  { room, surfaces, key }: RoomToDo,
  school: School,
  known: Known,
): readonly JobTask[] {
  const { windowsOf, doneAt } = known;
  const begun = surfaces.some((surface) =>
    coatsOf(surface).some((coat) => doneAt(surface, coat) !== undefined),
  );
  const name = room === '' ? 'Without a room' : room;
  const hours = hoursOn(work, surfaces);
  const taken = (...all: readonly Task[]) =>
    minutes(all.reduce((sum, task) => sum + (hours[task]?.value ?? 0), 0));
  const ids = surfaces.map(({ id }) => id);
  const tasks: JobTask[] = [];
  const byHand = (id: string, what: string, time: number, after: readonly Lag[]): readonly Lag[] => {
    if (time <= 0 || (begun && BEFORE_COATS.has(id))) return after;
    const people = 1;
    tasks.push({
      ...{
        id: `${key} ${id}`,
        name: `${name}: ${what}`,
        room: name,
        kind: 'hand',
        people,
        after,
        surfaces: ids,
      },
      minutes: onGrid(time),
    });
    return [{ task: `${key} ${id}`, least: 0 }];
  };
  const off = byHand('protect', 'protect', taken('furniture', 'fittings') + DOORS_OFF * taken('doors'), []);
  const prepared = byHand(
    'prepare',
    'wash, fill, sand, dust',
    taken('preparing', 'caulking', 'dusting', 'height'),
    off,
  );
  const masked = byHand('mask', 'mask and cover', taken('masking'), prepared);
  const between = taken('between');
  let before = masked;
  let stage: number | undefined;
  const ends: Lag[] = [];
  const groups = groupsOf(surfaces, school);
  const fine = groups.filter(({ surfaces: all }) => between > 0 && isFine(all)).length;
  groups.forEach((group, place) => {
    const now = stageOf(group.element, school);
    const last = ends[ends.length - 1];
    // Tape goes on what was sprayed before; a ceiling is met with a shield.
    if (last && stage !== undefined && stage !== now && stage > 0)
      before = [maskedOver(last, tasks, windowsOf)];
    stage = now;
    const sanded = isFine(group.surfaces) && fine > 0 ? between / fine : 0;
    const end = sprayGroup(work, { ...group, name, key: `${key} g${place}` }, before, sanded, known, tasks);
    if (end) {
      ends.push(end);
      before = [{ task: end.task, least: 0 }];
    }
  });
  const dry = ends.map(({ task }): Lag => ({ task, least: touchDry(task, tasks, windowsOf) }));
  const unmasked = byHand('unmask', 'unmask and clean', taken('unmasking'), dry.length > 0 ? dry : masked);
  byHand(
    'touch up',
    'touch up, hardware back',
    taken('touchUp') + (1 - DOORS_OFF) * taken('doors'),
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
  const task = tasks.find((one) => one.id === id);
  return task?.coatingId === undefined ? undefined : windowsOf(task.coatingId);
};
const touchDry = (id: string, tasks: readonly JobTask[], windowsOf: WindowsOf): number =>
  minutes(windowOfTask(id, tasks, windowsOf)?.touch().value ?? 0);
const maskedOver = ({ task }: Lag, tasks: readonly JobTask[], windowsOf: WindowsOf): Lag => ({
  task,
  least: minutes(windowOfTask(task, tasks, windowsOf)?.mask().value ?? 0),
});

interface NamedGroup extends Group {
  readonly name: string;
  readonly key: string;
}

/** Minutes somebody sprays a coat of some surfaces, by the cards of the job. */
function sprayMinutes(work: PlannedWork, surfaces: readonly Surface[], at: number): number {
  let trigger = 0;
  for (const surface of surfaces) {
    const wanted = coatsOf(surface)[at];
    if (!wanted) continue;
    const order = work.buyings.find(({ order: one }) => one.id === wanted.layer.coatingId)?.order;
    const own = order?.surfaces.filter(({ id }) => id === surface.id)[wanted.again];
    trigger += (own?.triggerTime ?? 0) / wanted.layer.coats;
  }
  return minutes(sprayingTime(trigger));
}

/** The coats of a group one after the other; what lies on a rack is turned between its sides. */
function sprayGroup(
  work: PlannedWork,
  { element, surfaces, name, key }: NamedGroup,
  first: readonly Lag[],
  sanded: number,
  { windowsOf, longest, doneAt }: Known,
  tasks: JobTask[],
): Lag | undefined {
  const [sample] = surfaces;
  if (!sample) return undefined;
  const coats = coatsOf(sample);
  const sides = element === 'door' && surfaces.some(({ geometry }) => bothSides(geometry)) ? 2 : 1;
  const ids = surfaces.map(({ id }) => id);
  const what = ELEMENT_DATA[element].name;
  let before = first;
  let end: Lag | undefined;
  /** Until when dries what is done already, min; nothing where nothing is. */
  let driesUntil: number | undefined;
  coats.forEach(({ layer, coat }, at) => {
    const row = work.coatings.find(({ id }) => id === layer.coatingId);
    const windows = row && windowsOf(row.id);
    const recoat = minutes(windows?.recoat.value ?? 0);
    const doneOf = (surface: Surface) => {
      const one = coatsOf(surface)[at];
      return one && doneAt(surface, one);
    };
    const left = surfaces.filter((surface) => doneOf(surface) === undefined);
    const time = sprayMinutes(work, left, at);
    const earlier = driesUntil;
    for (const surface of surfaces) {
      const when = doneOf(surface);
      if (when !== undefined) driesUntil = Math.max(driesUntil ?? -Infinity, when + recoat);
    }
    if (!row || time <= 0) return;
    const notBefore = earlier === undefined ? {} : { notBefore: earlier };
    const closes = windows?.closes && minutes(windows.closes().value);
    const role = layer.role === 'finish' ? '' : `${LAYER_NAMES[layer.role].toLowerCase()}, `;
    const called = `${what}, ${role}${row.name}${layer.coats > 1 ? `, coat ${coat}` : ''}`;
    if ((end || earlier !== undefined) && sanded > 0) {
      const id = `${key} sand ${at}`;
      const wait: readonly Lag[] = end ? [{ task: end.task, least: end.least }] : first;
      tasks.push({
        ...{ id, name: `${name}: ${what}, sand between coats`, room: name, kind: 'hand', people: 1 },
        ...{ minutes: onGrid(sanded / Math.max(1, coats.length - 1)), after: wait, surfaces: ids },
        ...notBefore,
      });
      // The coat before stays open as long as it would.
      before = [{ task: id, least: 0 }, ...(end ? [{ ...end, least: 0 }] : [])];
    } else if (end) before = [end];
    const rolled = at === 0 ? minutes(hoursOn(work, left).backRolling?.value ?? 0) : 0;
    // Two: one sprays, one rolls behind. One alone does both.
    const people = rolled > 0 && work.book.people > 1 ? 2 : 1;
    const whole = people === 2 ? Math.max(time, rolled) : time + rolled;
    const parts = sides * Math.max(1, Math.ceil(whole / sides / longest));
    for (let part = 0; part < parts; part += 1) {
      const id = `${key} ${at} ${part}`;
      tasks.push({
        ...{
          id,
          name: `${name}: ${called}${partText(part, parts, sides)}`,
          room: name,
          kind: 'spray',
          people,
        },
        ...{ minutes: onGrid(whole / parts), after: before, surfaces: ids, coatingId: row.id },
        ...notBefore,
        fluid: { coating: row.id, base: archetypeOf(row.archetype).base },
        ...(sample.side === 'outside' ? { rainFast: recoat } : {}),
      });
      const turned = sides === 2 && part + 1 === parts / 2;
      before = [{ task: id, least: turned ? TO_HANDLE : 0 }];
    }
    const last = `${key} ${at} ${parts - 1}`;
    end = { task: last, least: recoat, ...(closes === undefined ? {} : { most: closes }) };
  });
  return end;
}

/** Which part of a coat it is, where it is done in parts. */
function partText(part: number, parts: number, sides: number): string {
  const each = parts / sides;
  const side = sides === 2 ? `, side ${part < each ? 1 : 2}` : '';
  return each > 1 ? `${side}, part ${(part % each) + 1} of ${each}` : side;
}

const bothSides = (geometry: Surface['geometry']): boolean =>
  geometry.shape === 'item' && geometry.faces !== 1;
