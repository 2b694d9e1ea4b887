import { archetypeOf, type CoatWindows } from '@fine-spray/core/coating';
import { TRIGGER_SHARE, sprayingTime } from '@fine-spray/core/quantities';
import { onGrid, type Lag, type SiteTask, type Spread } from '@fine-spray/core/sequence';
import { ELEMENT_DATA, type Element } from '@fine-spray/core/takeoff';
import type { Surface } from '../job';
import { hoursOn, type PlannedWork } from './jobPlan';
import { LAYER_NAMES, layersOf, type SurfaceLayer } from './layers';

export const WHAT = ['protect', 'prepare', 'mask', 'sand', 'coat', 'unmask', 'touch up'] as const;

/** A coat as a task sprays it. */
export interface TaskCoat {
  readonly coatingId: string;
  /** Counted for its coating on its surfaces, from 1: as the log counts. */
  readonly coat: number;
  /** Which part of the coat it is, from 0, of how many: sides that are turned, and what a day is too short for. */
  readonly part: number;
  readonly parts: number;
}

/** A task of a job, with the surfaces it is on and, where it is a coat, of what. */
export interface JobTask extends SiteTask {
  readonly what: (typeof WHAT)[number];
  readonly surfaces: readonly string[];
  readonly coat?: TaskCoat | undefined;
}

/** Surfaces of a room that are sprayed together: of one kind, with the same coats. */
export interface Group {
  readonly element: Element;
  readonly surfaces: readonly Surface[];
}

/** A coat of a surface: of which of its layers, and which of that layer. */
export interface CoatToDo {
  readonly layer: SurfaceLayer;
  /** Which it is of the layers with its coating. */
  readonly again: number;
  readonly coat: number;
  /** Counted for its coating over all layers: as the log counts. */
  readonly counted: number;
}

/** The coats of a surface in their order. */
export function coatsOf(surface: Surface): readonly CoatToDo[] {
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

export type WindowsOf = (coatingId: string) => CoatWindows | undefined;

/** What coats are planned with. */
export interface CoatsKnown {
  /** Drying of each coating. */
  readonly windowsOf: WindowsOf;
  /** On the crew. */
  readonly people: number;
  /** Minutes of spraying a day holds. */
  readonly longest: number;
  /** When a coat of a surface was done; nothing where it is to do. */
  readonly doneAt: (surface: Surface, coat: CoatToDo) => number | undefined;
  /** Steps of the plan that are done, by their task. */
  readonly steps: readonly string[];
}

interface NamedGroup extends Group {
  readonly room: string;
}

/** A leaf lies for so long before it is turned, min: overnight; judgement, the sheet comes first. */
const TO_HANDLE = 12 * 60;

export const minutes = (seconds: number): number => seconds / 60;

/** How far spraying may be off: by the share of it during which the trigger is open. */
const SPRAYING: Spread = {
  by: 'spraying',
  low: TRIGGER_SHARE.value / TRIGGER_SHARE.high,
  high: TRIGGER_SHARE.value / TRIGGER_SHARE.low,
};

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

const bothSides = (geometry: Surface['geometry']): boolean =>
  geometry.shape === 'item' && geometry.faces !== 1;

/** Which part of a coat it is, where it is done in parts. */
function partText(part: number, parts: number, sides: number): string {
  const each = parts / sides;
  const side = sides === 2 ? `, side ${part < each ? 1 : 2}` : '';
  return each > 1 ? `${side}, part ${(part % each) + 1} of ${each}` : side;
}

/** The task of a part of a coat. Its id is made of what it is: it stays when other work changes. */
const partId = (coat: string, part: number, parts: number): string => `${coat} ${part}/${parts}`;

/** How much of a coat is done by its steps, 0 to 1. */
const shareDone = (steps: readonly string[]): number =>
  steps.reduce((sum, step) => sum + 1 / Math.max(1, Number(step.slice(step.lastIndexOf('/') + 1))), 0);

/**
 * The coats of a group one after the other, as tasks; what lies on a rack is turned between its sides.
 * @param first what comes before the first coat
 * @param sanded minutes of sanding between all its coats
 * @param tasks where they are put
 * @returns what follows waits for it; nothing where nothing is left to spray
 */
export function sprayGroup(
  work: PlannedWork,
  { element, surfaces, room }: NamedGroup,
  first: readonly Lag[],
  sanded: number,
  { windowsOf, longest, doneAt, steps, people: crew }: CoatsKnown,
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
  coats.forEach(({ layer, coat, counted }, at) => {
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
      const id = `${sample.id} sand ${at}`;
      const wait: readonly Lag[] = end ? [{ task: end.task, least: end.least }] : first;
      tasks.push({
        ...{ id, name: `${room}: ${what}, sand between coats`, room, kind: 'hand', people: 1 },
        ...{ what: 'sand', minutes: onGrid(sanded / Math.max(1, coats.length - 1)), after: wait },
        ...{ surfaces: ids, spread: { by: 'between', low: 0.6, high: 1.4 } },
        ...notBefore,
      });
      // The coat before stays open as long as it would.
      before = [{ task: id, least: 0 }, ...(end ? [{ ...end, least: 0 }] : [])];
    } else if (end) before = [end];
    const rolling = (some: readonly Surface[]) =>
      at === 0 ? minutes(hoursOn(work, some).backRolling?.value ?? 0) : 0;
    // Two: one sprays, one rolls behind. One alone does both.
    const people = rolling(left) > 0 && crew > 1 ? 2 : 1;
    const wholeOf = (some: readonly Surface[]) => {
      const [sprayed, rolled] = [sprayMinutes(work, some, at), rolling(some)];
      return people === 2 ? Math.max(sprayed, rolled) : sprayed + rolled;
    };
    // Parts are those of the whole coat, whatever of it is done: a task keeps its name.
    const parts = sides * Math.max(1, Math.ceil(wholeOf(surfaces) / sides / longest));
    const each = onGrid(wholeOf(left) / parts);
    const key = `${sample.id} ${at}`;
    const own = steps.filter((step) => step.startsWith(`${key} `));
    // Done while days were of another length: so much of it is not sprayed again.
    const share = own.some((step) => !step.endsWith(`/${parts}`)) ? shareDone(own) : 0;
    for (let part = 0; part < parts; part += 1) {
      const id = partId(key, part, parts);
      if (!own.includes(id) && (part + 1) / parts <= share + 1e-9) continue;
      tasks.push({
        ...{ id, name: `${room}: ${called}${partText(part, parts, sides)}`, room, kind: 'spray', people },
        ...{ what: 'coat', minutes: each, after: before, surfaces: ids, spread: SPRAYING },
        coat: { coatingId: row.id, coat: counted, part, parts },
        ...notBefore,
        fluid: { coating: row.id, base: archetypeOf(row.archetype).base },
        ...(sample.side === 'outside' ? { rainFast: recoat } : {}),
      });
      const turned = sides === 2 && part + 1 === parts / 2;
      before = [{ task: id, least: turned ? TO_HANDLE : 0 }];
    }
    const last = before[0]?.task;
    if (last !== undefined && tasks.some(({ id }) => id === last))
      end = { task: last, least: recoat, ...(closes === undefined ? {} : { most: closes }) };
  });
  return end;
}
