import {
  entriesOfKind,
  payloadOf,
  type Entry,
  type EntryKind,
  type PayloadOf,
  type TipChoice,
  type Weather,
} from '@fine-spray/contract';
import { coatName } from '@fine-spray/contract/log';
import { plannedCoats, type PlannedCoatOfJob } from '@fine-spray/contract/planning';
import {
  NOMINAL_DISTANCE,
  USUAL_COMB,
  comparePlan,
  fanWidth,
  readTip,
  type SetupCard,
} from '@fine-spray/core';
import { tipsOf, type SiteLog } from '@/data/record';
import type { KnownPlace } from './place';

/** All a form starts from. */
export interface CaptureContext extends KnownPlace {
  readonly log: SiteLog;
  /** What the station reads now, where it answers. */
  readonly station: Weather | undefined;
  /** The set-up card of the surface, where there is one. */
  readonly card: SetupCard | undefined;
}

/** A coat of the plan that can be written about. */
export interface CoatOption {
  readonly planned: PlannedCoatOfJob;
  readonly label: string;
  readonly state: 'to do' | 'begun' | 'done';
}

/** The coats planned on a surface with where they stand. */
export function coatOptions({
  log,
  job,
  surface,
}: Pick<CaptureContext, 'log' | 'job' | 'surface'>): readonly CoatOption[] {
  if (!job || !surface) return [];
  const done = new Map(log.record.coatsOf(surface.id).map((one) => [`${one.coating} ${one.coat}`, one]));
  return plannedCoats([surface], job, log.kit, false).map((planned) => {
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

const last = <Kind extends EntryKind>(
  log: SiteLog,
  kind: Kind,
  of: (payload: PayloadOf<Kind>, entry: Entry) => boolean,
) => entriesOfKind(log.entries, kind).findLast(({ payload, entry }) => of(payload, entry))?.payload;

/** The weather a form starts with: the station's, else that of the last entry, else what is usual inside. */
export function usualWeather({ log, station }: Pick<CaptureContext, 'log' | 'station'>): Weather {
  if (station) return station;
  const before = last(log, 'coat finished', () => true)?.weather;
  if (before) return { ...before, source: 'last entry' };
  return { source: 'by hand', air: 293.15, surface: null, humidity: 0.5, wind: null, rain: null };
}

/** Tips of the kit with their words, the one in the gun first. */
export function tipInGun({
  log,
  card,
}: Pick<CaptureContext, 'log' | 'card'>): { readonly id: string; readonly choice: TipChoice } | undefined {
  const { tips } = log.kit;
  const fitted = last(log, 'tip fitted', () => true)?.tipId;
  const sprayed = last(log, 'sprayed', ({ tipId }) => tipId !== null)?.tipId;
  const onCard = tips.find(
    ({ code, family }) => card && code === card.tip.code && family === card.tip.candidate.tip.family,
  );
  const row = onCard ?? tips.find(({ id }) => id === (sprayed ?? fitted)) ?? tips[0];
  return row ? { id: row.id, choice: { family: row.family, code: row.code } } : undefined;
}

/** What is left to spray of a coat, by the plan and by what this job took so far, m³. */
export function litresLeft({ log, job }: Pick<CaptureContext, 'log' | 'job'>, option: CoatOption): number {
  if (!job) return option.planned.volume.value;
  const ofJob = plannedCoats(
    log.surfaces.filter(({ jobId }) => jobId === job.id),
    job,
    log.kit,
    false,
  );
  const compared = comparePlan(ofJob, log.record, tipsOf(log.kit), job.id).find(
    ({ coating }) => coating === option.planned.coating,
  );
  const actual = compared?.coats.find(
    ({ planned }) => planned.surface === option.planned.surface && planned.coat === option.planned.coat,
  );
  const left = option.planned.volume.value * (compared?.factor.value ?? 1) - (actual?.actual?.volume ?? 0);
  // To half a litre, as a container is read.
  return Math.max(0.5, Math.round(left * 2000) / 2) / 1000;
}

const NO_ID = '00000000-0000-7000-8000-000000000000';

type Builder<Kind extends EntryKind> = (context: CaptureContext) => PayloadOf<Kind>;
type FormKind = Exclude<EntryKind, 'viscosity' | 'set-up confirmed' | 'machine' | 'withdrawn'>;

function coatOf(context: CaptureContext) {
  const { surface } = context;
  const option = usualCoat(coatOptions(context));
  return {
    option,
    coatingId: option?.planned.coating ?? surface?.coatingId ?? context.log.kit.coatings[0]?.id ?? NO_ID,
    coat: option?.planned.coat ?? 1,
  };
}

const container = ({ log }: CaptureContext, coatingId: string) => {
  const sizes = log.kit.coatings.find(({ id }) => id === coatingId)?.containers ?? [];
  const batch =
    last(log, 'delivered', (payload) => payload.coatingId === coatingId)?.batch ??
    last(log, 'container opened', (payload) => payload.coatingId === coatingId)?.batch ??
    '';
  const size = last(log, 'container opened', (payload) => payload.coatingId === coatingId)?.size;
  return { coatingId, batch, size: size ?? Math.max(0.0025, ...sizes.map((one) => one.size)) };
};

const tipHandled = (context: CaptureContext) => {
  const tip = tipInGun(context);
  return {
    tipId: tip?.id ?? NO_ID,
    tip: tip?.choice ?? { family: 'standard' as const, code: '517' },
    why: '',
  };
};

/** Area of a coat by the plan; a square metre where there is none. */
const areaOf = (option: CoatOption | undefined) => option?.planned.trueArea ?? 1;

const BUILDERS: { readonly [Kind in FormKind]: Builder<Kind> } = {
  delivered: (context) => ({ ...container(context, coatOf(context).coatingId), count: 1 }),
  'container opened': (context) => ({ ...container(context, coatOf(context).coatingId), boxedWith: [] }),
  'coat started': (context) => {
    const { coatingId, coat } = coatOf(context);
    return { coatingId, coat, weather: usualWeather(context) };
  },
  'coat finished': (context) => {
    const { coatingId, coat, option } = coatOf(context);
    const { surface } = context;
    return {
      coatingId,
      coat,
      element: surface?.element ?? 'wall',
      side: surface?.side ?? 'inside',
      kind: surface?.kind ?? 'smooth-board',
      wind: surface?.wind ?? 'calm',
      trueArea: areaOf(option),
      weather: usualWeather(context),
    };
  },
  comb: (context) => {
    const { coatingId, coat, option } = coatOf(context);
    const { card, surface } = context;
    const tip = tipInGun(context);
    return {
      coatingId,
      coat,
      teeth: [...USUAL_COMB],
      lastWet: [],
      thinner: surface?.thinning ?? 0,
      element: surface?.element ?? null,
      tip: tip?.choice ?? null,
      target: option?.planned.wet ?? null,
      speed: card?.gunSpeed.value ?? null,
      cardSpeed: card?.gunSpeed.value ?? null,
    };
  },
  sprayed: (context) => {
    const { coatingId, coat, option } = coatOf(context);
    return {
      coatingId,
      coat,
      tipId: tipInGun(context)?.id ?? null,
      volume: option ? litresLeft(context, option) : 0.005,
    };
  },
  'dry reading': () => ({ readings: [] }),
  'tip fitted': tipHandled,
  'tip reversed': tipHandled,
  'tip cleaned': tipHandled,
  'tip retired': tipHandled,
  'fan measured': (context) => {
    const tip = tipInGun(context);
    const before = last(context.log, 'fan measured', ({ tipId }) => tipId === tip?.id);
    const code = tip && readTip(tip.choice.code, tip.choice.family);
    const fresh = code?.ok ? fanWidth(code.value.fan, NOMINAL_DISTANCE) : 0.25;
    return { tipId: tip?.id ?? NO_ID, width: before?.width ?? fresh, distance: NOMINAL_DISTANCE, gun: null };
  },
  clog: (context) => ({ where: 'tip', tipId: tipInGun(context)?.id ?? null, cure: '' }),
  fault: () => ({ what: '', cure: '' }),
  'touch-up': ({ surface }) => ({ coatingId: surface?.coatingId ?? null, volume: null, why: '' }),
  incident: () => ({ level: 'near miss', what: '', done: '' }),
  note: () => ({ text: '' }),
};

/** What a form opens on: sensible for where one is and what was written last. */
export function firstPayload(kind: EntryKind, context: CaptureContext): Record<string, unknown> {
  const build = BUILDERS[kind as FormKind] as Builder<FormKind> | undefined;
  return build?.(context) ?? {};
}

/** A form that corrects an entry opens on it. */
export const payloadToCorrect = (entry: Entry): Record<string, unknown> => payloadOf(entry);
