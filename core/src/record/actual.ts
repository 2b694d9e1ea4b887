import { explain, given, workingDefault, type Explained } from '../explain';
import { addTo } from '../grouping';
import { LOSSES } from '../quantities/losses';
import { fanWidth, NOMINAL_DISTANCE, wornTip } from '../tip';
import type { LoggedSurface } from './entries';
import { learnedValue } from './learn';
import type { CoatRecord, SiteRecord } from './sheet';
import type { OwnedTip } from './tips';

/** One coat as it was planned. */
export interface PlannedCoat extends LoggedSurface {
  /** Net area times texture, m². */
  readonly trueArea: number;
  /** Wet film as sprayed, m. */
  readonly wet: number;
  /** Through the gun, m³, with its range. */
  readonly volume: Explained;
  /** From the first stroke to the last, s. */
  readonly time: number;
}

export interface CoatCompared {
  readonly planned: PlannedCoat;
  /** What the log says of it; missing before it was begun. */
  readonly actual?: CoatRecord;
  readonly state: 'to do' | 'begun' | 'done';
  /** From "started" to "finished", s; missing where one of them was not written down. */
  readonly time?: number;
}

/** Where more or less paint went than planned. */
export const CAUSES = {
  area: { name: 'Another area', better: 'Measure the surface again.' },
  film: { name: 'Film thicker or thinner', better: 'Read the comb more often and time the gun.' },
  wear: { name: 'Worn tip', better: 'Replace the tip.' },
  loss: {
    name: 'Loss to overspray and soaking in',
    better: 'Lower the pressure, mind the distance, shield the wind.',
  },
  untold: { name: 'Film or loss', better: 'No comb was read: read it, and the two can be told apart.' },
} as const;
export type Cause = keyof typeof CAUSES;
const CAUSE_NAMES = Object.keys(CAUSES) as Cause[];

export interface CoatingCompared {
  readonly coating: string;
  readonly coats: readonly CoatCompared[];
  readonly planned: number;
  readonly used: number;
  /** Planned for the coats that are done. */
  readonly plannedDone: number;
  /** Used on the coats that are done. */
  readonly usedDone: number;
  readonly causes: readonly { readonly cause: Cause; readonly volume: number }[];
  /** Litres over plan of this coating in this job, as learned so far. */
  readonly factor: Explained;
  readonly needed: Explained;
  /** Missing where no delivery was written down. */
  readonly atHand?: Explained;
  readonly short?: {
    /** What is missing for all coats, m³; a range that may begin below zero. */
    readonly volume: number;
    readonly low: number;
    readonly high: number;
    /** The first coat it does not reach for. */
    readonly before: PlannedCoat;
  };
}

/** A coat of the plan beside what the log says of it. */
function compare(planned: PlannedCoat, actual: CoatRecord | undefined): CoatCompared {
  if (!actual) return { planned, state: 'to do' };
  const { started, finished } = actual;
  const time =
    started !== undefined && finished && finished.at > started ? (finished.at - started) / 1000 : undefined;
  return {
    planned,
    actual,
    state: finished ? 'done' : 'begun',
    ...(time === undefined ? {} : { time }),
  };
}

/** Film a tip laid over what it lays when new, by the last fan measured before a moment; 1 where none was. */
function wearAt(record: SiteRecord, tips: ReadonlyMap<string, OwnedTip>) {
  return ({ sprayed }: CoatRecord): number => {
    const last = sprayed[sprayed.length - 1];
    const owned = last?.tip === undefined ? undefined : tips.get(last.tip);
    if (!last || !owned) return 1;
    const fan = record.of('fan measured').findLast(({ tip, at }) => tip === last.tip && at <= last.at);
    if (!fan || fan.width >= fanWidth(owned.code.fan, NOMINAL_DISTANCE)) return 1;
    const wear = wornTip(owned.code, { by: 'fan', width: fan.width });
    return wear.ok ? wear.value.filmRatio.value : 1;
  };
}

/**
 * Where the paint of a coat went: used − planned parted by the logarithmic mean Divisia index (Ang 2005), which leaves
 * nothing over. V = area · film ÷ loss, so ln V over plan is the sum of the logs of its factors.
 */
export function causesOf({ planned, actual }: CoatCompared, wear: number): Readonly<Record<Cause, number>> {
  const none = { area: 0, film: 0, wear: 0, loss: 0, untold: 0 };
  if (!actual || actual.volume <= 0 || planned.volume.value <= 0) return none;
  const difference = actual.volume - planned.volume.value;
  const whole = Math.log(actual.volume / planned.volume.value);
  // The logarithmic mean; both alike, it is what they are.
  const mean = Math.abs(whole) < 1e-9 ? actual.volume : difference / whole;
  const area = actual.finished ? Math.log(actual.finished.trueArea / planned.trueArea) : 0;
  const rest = whole - area;
  if (actual.wet === undefined) return { ...none, area: mean * area, untold: mean * rest };
  const film = Math.log(actual.wet / planned.wet);
  // What a worn tip explains of a film that is too thick, and no more.
  const worn = Math.max(0, Math.min(film, Math.log(wear)));
  return {
    ...none,
    area: mean * area,
    film: mean * (film - worn),
    wear: mean * worn,
    loss: mean * (rest - film),
  };
}

/** How far a coat's litres lie about its plan: within a job, and jobs about each other. */
const COAT_SPREAD = { reading: 0.15, job: 0.1 };

/** Plan against actual of a job, coating by coating in the order of the plan. */
export function comparePlan(
  planned: readonly PlannedCoat[],
  record: SiteRecord,
  tips: readonly OwnedTip[],
  job: string,
): readonly CoatingCompared[] {
  const wearOf = wearAt(record, new Map(tips.map((one) => [one.tip, one])));
  const delivered = new Map<string, number>();
  for (const entry of record.of('delivered')) {
    if (entry.job === job) delivered.set(entry.coating, (delivered.get(entry.coating) ?? 0) + entry.volume);
  }
  const byCoating = new Map<string, CoatCompared[]>();
  for (const one of planned) {
    addTo(byCoating, one.coating, compare(one, record.coatOf(one)));
  }
  return [...byCoating].map(([coating, coats]) => ofCoating(coating, coats, wearOf, delivered.get(coating)));
}

const sum = (values: readonly number[]) => values.reduce((total, one) => total + one, 0);

function ofCoating(
  coating: string,
  coats: readonly CoatCompared[],
  wearOf: (coat: CoatRecord) => number,
  delivered: number | undefined,
): CoatingCompared {
  const done = coats.filter(({ state, actual }) => state === 'done' && actual && actual.volume > 0);
  const open = coats.filter(({ state }) => state !== 'done');
  const causes = CAUSE_NAMES.map((cause) => ({ cause, volume: 0 }));
  for (const one of done) {
    const parts = causesOf(one, one.actual ? wearOf(one.actual) : 1);
    for (const each of causes) each.volume += parts[each.cause];
  }
  const ratios = done.map(({ planned, actual }) => (actual?.volume ?? 0) / planned.volume.value);
  const plan = workingDefault('Litres over plan', 'factor', 1, 0.8, 1.25, 'The plan itself');
  const { value: learned } = learnedValue(plan, [ratios], COAT_SPREAD);
  const factor: Explained = { ...learned, formula: 'job factor' };
  const used = sum(coats.map(({ actual }) => actual?.volume ?? 0));
  const left = open.map(({ planned, actual }) => ({
    planned,
    // What is sprayed of a coat that is begun is not needed again.
    sprayed: actual?.volume ?? 0,
  }));
  const needed = explain(
    'litres still needed',
    'volume',
    {
      open: {
        ...given(
          'Planned for coats not done',
          'volume',
          sum(left.map(({ planned }) => planned.volume.value)),
          'Plan of this job',
        ),
        low: sum(left.map(({ planned }) => planned.volume.low)),
        high: sum(left.map(({ planned }) => planned.volume.high)),
      },
      factor: {
        label: 'Litres over plan so far',
        kind: 'factor',
        value: factor.value,
        low: factor.low,
        high: factor.high,
        basis: factor.basis,
        source: `${done.length} of ${coats.length} coats done`,
      },
      // No coat pays for another: what one has had over its own is gone.
      begun: given(
        'Sprayed of coats that are begun, up to what each wants',
        'volume',
        sum(left.map(({ planned, sprayed }) => Math.min(sprayed, planned.volume.value * factor.value))),
        'Site log',
      ),
    },
    (v) => Math.max(0, v.open * v.factor - v.begun),
  );
  const compared = {
    coating,
    coats,
    planned: sum(coats.map(({ planned }) => planned.volume.value)),
    used,
    plannedDone: sum(done.map(({ planned }) => planned.volume.value)),
    usedDone: sum(done.map(({ actual }) => actual?.volume ?? 0)),
    causes,
    factor,
    needed: { ...needed, low: Math.max(0, needed.low) },
  };
  if (delivered === undefined) return compared;
  const { containerResidue: residue } = LOSSES;
  const atHand = explain(
    'litres at hand',
    'volume',
    {
      delivered: given('Delivered', 'volume', delivered, 'Site log'),
      residue: workingDefault('Left in containers', 'percent', residue.likely, residue.low, residue.high),
      used: given('Used', 'volume', used, 'Site log'),
    },
    (v) => Math.max(0, v.delivered * (1 - v.residue) - v.used),
  );
  const before = firstBeyond(left, factor.value, atHand.value);
  if (!before) return { ...compared, atHand };
  const spread = Math.hypot(needed.high - needed.value, atHand.value - atHand.low);
  const volume = needed.value - atHand.value;
  return {
    ...compared,
    atHand,
    short: {
      volume,
      low: volume - Math.hypot(needed.value - needed.low, atHand.high - atHand.value),
      high: volume + spread,
      before,
    },
  };
}

/** The first open coat the paint at hand does not reach for: first coats of all surfaces come before second ones. */
function firstBeyond(
  open: readonly { readonly planned: PlannedCoat; readonly sprayed: number }[],
  factor: number,
  atHand: number,
): PlannedCoat | undefined {
  let used = 0;
  for (const { planned, sprayed } of [...open].sort((one, other) => one.planned.coat - other.planned.coat)) {
    used += Math.max(0, planned.volume.value * factor - sprayed);
    if (used > atHand) return planned;
  }
  return undefined;
}

/** The next coat of each surface that is not done, in the order of the plan. */
export function nextCoats(planned: readonly PlannedCoat[], record: SiteRecord): readonly PlannedCoat[] {
  const next = new Map<string, PlannedCoat>();
  for (const one of planned) {
    if (!next.has(one.surface) && !record.coatOf(one)?.finished) next.set(one.surface, one);
  }
  return [...next.values()];
}
