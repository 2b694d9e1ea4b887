import {
  entriesOfKind,
  payloadOf,
  timeOf,
  type Entry,
  type EntryKind,
  type PayloadOf,
  type TipChoice,
  type Weather,
} from '@fine-spray/contract';
import { coatName } from '@fine-spray/contract/log';
import { plannedCoats, type CoatOfSurface, type PlannedCoatOfJob } from '@fine-spray/contract/planning';
import {
  archetypeOf,
  comparePlan,
  gunSpeedOf,
  type AbrasionClass,
  type SetupCard,
  type UnitSystem,
} from '@fine-spray/core';
import { jobsOfPaint, tipsOf, type SiteLog } from '@/data/record';
import type { Job, Surface } from '@fine-spray/contract';
import type { Kit } from '@fine-spray/contract/planning';
import type { KnownPlace } from './place';

/** All a form starts from. */
export interface CaptureContext extends KnownPlace {
  readonly log: SiteLog;
  /** What the crew reads in. */
  readonly system: UnitSystem;
  /** What the station reads now, where it answers. */
  readonly station: Weather | undefined;
  /** The set-up card of a coat of the surface, with the coating and the tip of its own layer; none where there is none. */
  readonly cardOf: (coat: CoatOfSurface) => SetupCard | undefined;
}

/** A coat of the plan that can be written about. */
export interface CoatOption {
  readonly planned: PlannedCoatOfJob;
  readonly label: string;
  readonly state: 'to do' | 'begun' | 'done';
}

const PLANNED = new WeakMap<
  Surface,
  { readonly job: Job; readonly kit: Kit; readonly planned: readonly PlannedCoatOfJob[] }
>();

/** The coats planned on a surface; worked out once, each takes a search and a form asks at every tap. */
function plannedOn(surface: Surface, job: Job, kit: Kit): readonly PlannedCoatOfJob[] {
  const known = PLANNED.get(surface);
  if (known?.job === job && known.kit === kit) return known.planned;
  const planned = plannedCoats([surface], job, kit);
  PLANNED.set(surface, { job, kit, planned });
  return planned;
}

/** The coats planned on a surface with where they stand. */
export function coatOptions({
  log,
  job,
  surface,
}: Pick<CaptureContext, 'log' | 'job' | 'surface'>): readonly CoatOption[] {
  if (!job || !surface) return [];
  const done = new Map(log.record.coatsOf(surface.id).map((one) => [`${one.coating} ${one.coat}`, one]));
  return plannedOn(surface, job, log.kit).map((planned) => {
    const known = done.get(`${planned.coating} ${planned.coat}`);
    const state = known?.finished ? 'done' : known ? 'begun' : 'to do';
    const name = log.names.coating(planned.coating) ?? 'a coating that was deleted';
    return { planned, state, label: `${coatName(planned.coat)}, ${name}` };
  });
}

/** The coat one is most likely writing about: the one begun, else the next to do, else the last. */
export function usualCoat(options: readonly CoatOption[]): CoatOption | undefined {
  return (
    options.find(({ state }) => state === 'begun') ??
    options.find(({ state }) => state === 'to do') ??
    options.at(-1)
  );
}

/** The last payload of a kind that is as it is looked for. */
export const last = <Kind extends EntryKind>(
  log: SiteLog,
  kind: Kind,
  of: (payload: PayloadOf<Kind>, entry: Entry) => boolean,
) => entriesOfKind(log.entries, kind).findLast(({ payload, entry }) => of(payload, entry))?.payload;

/** Weather that somebody measured, then or at a coat before. What a stand-in made up is not carried on. */
const MEASURED: ReadonlySet<Weather['source']> = new Set<Weather['source']>(['by hand', 'last entry']);

/** The weather a form starts with: the simulated station's, else what was last measured, else what is usual inside. */
export function usualWeather({ log, station }: Pick<CaptureContext, 'log' | 'station'>): Weather {
  if (station) return station;
  const before = last(log, 'coat finished', ({ weather }) => MEASURED.has(weather.source))?.weather;
  if (before) return { ...before, source: 'last entry' };
  return { source: 'assumed', air: 293.15, surface: null, humidity: 0.5, wind: null, rain: null };
}

/**
 * The tip in the gun: the one fitted since paint went through another, else the one on the card of the coat, else the one sprayed
 * with last.
 */
export function tipInGun(
  { log, cardOf }: Pick<CaptureContext, 'log' | 'cardOf'>,
  coat: CoatOfSurface,
): { readonly id: string; readonly choice: TipChoice } | undefined {
  const { tips } = log.kit;
  const [fitted, sprayed] = [
    entriesOfKind(log.entries, 'tip fitted').at(-1),
    entriesOfKind(log.entries, 'sprayed').findLast(({ payload }) => payload.tipId !== null),
  ];
  const since = fitted && (!sprayed || timeOf(fitted.entry) > timeOf(sprayed.entry));
  const card = cardOf(coat);
  const onCard = tips.find(
    ({ code, family }) => card && code === card.tip.code && family === card.tip.candidate.tip.family,
  );
  const byId = (id: string | null | undefined) => tips.find((tip) => tip.id === id);
  const row =
    (since ? byId(fitted.payload.tipId) : undefined) ??
    onCard ??
    byId(sprayed?.payload.tipId ?? fitted?.payload.tipId) ??
    tips[0];
  return row ? { id: row.id, choice: { family: row.family, code: row.code } } : undefined;
}

/** Gun speed of a coat by its card: the first of a bare surface is slower. */
export function cardSpeedOf({ cardOf }: Pick<CaptureContext, 'cardOf'>, of: CoatOfSurface): number | null {
  const card = cardOf(of);
  return card ? gunSpeedOf(card, of.coat).value : null;
}

const LEFT = new WeakMap<SiteLog, Map<string, number>>();

/** What is left to spray of a coat, by the plan and by what this job took so far, m³ through the gun with its thinner. */
export function litresLeft({ log, job }: Pick<CaptureContext, 'log' | 'job'>, option: CoatOption): number {
  const { surface, coating, coat, volume } = option.planned;
  if (!job) return volume.value;
  const ofLog = LEFT.get(log) ?? new Map<string, number>();
  LEFT.set(log, ofLog);
  const key = `${job.id} ${surface} ${coating} ${coat}`;
  // Every coat of the coating takes a search: once for a log, not at every tap.
  const left = ofLog.get(key) ?? workedOutLeft(log, job, option);
  ofLog.set(key, left);
  return left;
}

function workedOutLeft(log: SiteLog, job: Job, option: CoatOption): number {
  // Of this coating alone: each coat takes a search.
  const ofJob = plannedCoats(
    log.surfaces.filter(({ jobId }) => jobId === job.id),
    job,
    log.kit,
  ).filter(({ coating }) => coating === option.planned.coating);
  const compared = comparePlan(ofJob, log.record, tipsOf(log.kit), job.id, jobsOfPaint(log)).find(
    ({ coating }) => coating === option.planned.coating,
  );
  const actual = compared?.coats.find(
    ({ planned }) => planned.surface === option.planned.surface && planned.coat === option.planned.coat,
  );
  const left =
    ((actual?.plan ?? 0) * (compared?.factor.value ?? 1) - (actual?.used ?? 0)) *
    (1 + option.planned.thinning);
  // To half a litre, as a container is read.
  return Math.max(0.5, Math.round(left * 2000) / 2) / 1000;
}

/** Where there is nothing to choose from yet: the form says so. */
export const NO_ID = '00000000-0000-7000-8000-000000000000';

/** The coat a form starts with, and its coating. */
export function coatOf(context: CaptureContext) {
  const { surface } = context;
  const option = usualCoat(coatOptions(context));
  return {
    option,
    coatingId: option?.planned.coating ?? surface?.coatingId ?? context.log.kit.coatings[0]?.id ?? NO_ID,
    coat: option?.planned.coat ?? 1,
  };
}

/** A container as the last one of the coating was. */
export const container = ({ log }: CaptureContext, coatingId: string) => {
  const sizes = log.kit.coatings.find(({ id }) => id === coatingId)?.containers ?? [];
  const batch =
    last(log, 'delivered', (payload) => payload.coatingId === coatingId)?.batch ??
    last(log, 'container opened', (payload) => payload.coatingId === coatingId)?.batch ??
    '';
  const size = last(log, 'container opened', (payload) => payload.coatingId === coatingId)?.size;
  return { coatingId, batch, size: size ?? Math.max(0.0025, ...sizes.map((one) => one.size)) };
};

/** The tip in the gun, as what is done with it is written. */
export const tipHandled = (context: CaptureContext) => {
  const tip = tipInGun(context, coatOf(context));
  return {
    tipId: tip?.id ?? NO_ID,
    tip: tip?.choice ?? { family: 'standard' as const, code: '517' },
    why: '',
  };
};

/** Less than this part of a coat is nothing left over: areas are measured, not counted. */
const LEAST_PART = 0.05;

/** How much of a coat is finished: what others have not finished of it yet, else all of it; a square metre where there is no plan. */
export function finishedOf({ log }: Pick<CaptureContext, 'log'>, option: CoatOption | undefined) {
  if (!option) return { trueArea: 1, absorbed: 0, whole: null, over: null };
  const { trueArea: whole, soaks, over = null } = option.planned;
  const before = (log.record.coatOf(option.planned)?.finishes ?? []).reduce(
    (sum, { trueArea }) => sum + trueArea,
    0,
  );
  const share = 1 - before / whole > LEAST_PART ? 1 - before / whole : 1;
  return { trueArea: whole * share, absorbed: soaks * share, whole, over };
}

/** What is written of a coat that is begun. */
export const startedCoat = (context: CaptureContext, { coatingId, coat }: CoatOfSurface) => ({
  coatingId,
  coat,
  weather: usualWeather(context),
});

/** What is written of a coat that is finished: what is left of it by the plan, on its surface as that is. */
export function finishedCoat(context: CaptureContext, { coatingId, coat }: CoatOfSurface) {
  const { surface } = context;
  const option = coatOptions(context).find(
    ({ planned }) => planned.coating === coatingId && planned.coat === coat,
  );
  return {
    ...{ coatingId, coat },
    element: surface?.element ?? 'wall',
    side: surface?.side ?? 'inside',
    kind: surface?.kind ?? 'smooth-board',
    wind: surface?.wind ?? 'calm',
    ...finishedOf(context, option),
    weather: usualWeather(context),
  } as const;
}

/** How hard a coating is on a tip; nothing where it is gone. */
export function abrasionOf({ log }: Pick<CaptureContext, 'log'>, coatingId: string): AbrasionClass | null {
  const coating = log.kit.coatings.find(({ id }) => id === coatingId);
  return coating ? archetypeOf(coating.archetype).abrasionClass : null;
}

/** A form that corrects an entry opens on it. */
export const payloadToCorrect = (entry: Entry): Record<string, unknown> => payloadOf(entry);
