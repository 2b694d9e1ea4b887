import { explain, given, workingDefault, type Explained } from '../explain';
import { addTo } from '../grouping';
import { LOSSES } from '../quantities/losses';
import { fanWidth, NOMINAL_DISTANCE, wornTip } from '../tip';
import type { LoggedSurface, Sprayed } from './entries';
import { timeWorked, utcDay, type DayOf } from './days';
import { learnedValue } from './learn';
import { paintOfJob, type JobsOfPaint, type TakenPaint } from './paint';
import { finishedTogether, type CoatRecord, type SiteRecord } from './sheet';
import type { OwnedTip } from './tips';

/** One coat as it was planned. */
export interface PlannedCoat extends LoggedSurface {
  /** Net area times texture, m². */
  readonly trueArea: number;
  /** Wet film as sprayed, m. */
  readonly wet: number;
  /** Thinner per paint. */
  readonly thinning: number;
  /** Through the gun, thinner in it, m³, with its range. */
  readonly volume: Explained;
  /** From the first stroke to the last, s. */
  readonly time: number;
}

/** A coat beside its plan. Litres are of paint as it is sold: the thinner in it is left out. */
export interface CoatCompared {
  readonly planned: PlannedCoat;
  /** By the plan, m³. */
  readonly plan: number;
  /** What of this job's paint was sprayed on it, m³. */
  readonly used: number;
  /** What the log says of it; missing before it was begun. */
  readonly actual?: CoatRecord;
  readonly state: 'to do' | 'begun' | 'done';
  /** All that was written of its litres is the plan again, as a form of an older program filled it in: it is used up, and teaches nothing. */
  readonly repeatsPlan: boolean;
  /** From "started" to "finished" without the nights between, s; missing where that was not written down. */
  readonly time?: number;
}

/** Paint that went on no coat of the plan. */
export const BESIDE_PLAN = {
  beyond: 'on coats that are not in the plan',
  gone: 'on surfaces that are not in this job any more',
  nowhere: 'where nobody said on what',
  'touch-up': 'on touch-ups',
} as const;
export interface BesidePlan {
  readonly why: keyof typeof BESIDE_PLAN;
  /** As it is sold, m³. */
  readonly volume: number;
  readonly surfaces: readonly string[];
}

/** Where more or less paint went than planned. */
export const CAUSES = {
  area: { name: 'Another area', better: 'Measure the surface again.' },
  film: { name: 'Film thicker or thinner', better: 'Read the comb more often and time the gun.' },
  wear: { name: 'Worn tip', better: 'Replace the tip.' },
  loss: {
    name: 'Loss beside the piece, in the air or into the ground',
    better: 'Lower the pressure, mind the distance, shield the wind.',
  },
  untold: { name: 'Film or loss', better: 'No comb was read: read it, and the two can be told apart.' },
} as const;
export type Cause = keyof typeof CAUSES;
const CAUSE_NAMES = Object.keys(CAUSES) as Cause[];

/** One coating of a job. Litres are of paint as it is sold: used, at hand and gone another way are what was delivered. */
export interface CoatingCompared {
  readonly coating: string;
  readonly coats: readonly CoatCompared[];
  readonly planned: number;
  readonly used: number;
  /** What of it went on no coat of the plan. */
  readonly beside: readonly BesidePlan[];
  /** Given back, taken to another job, poured away. */
  readonly out: number;
  /** Planned for the coats that are done. */
  readonly plannedDone: number;
  /** Used on the coats that are done. */
  readonly usedDone: number;
  readonly causes: readonly { readonly cause: Cause; readonly volume: number }[];
  /** Litres over plan of this coating in this job, as learned so far. */
  readonly factor: Explained;
  readonly needed: Explained;
  /** All that came; missing where no delivery was written down. */
  readonly delivered?: number;
  /** What of it was not written down: more was used than came. */
  readonly unwritten?: number;
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

const asSold = (volume: number, { thinning }: PlannedCoat): number => volume / (1 + thinning);

/** To what older programs rounded the litres of the plan when they filled a form with them, m³; and the least they filled in. */
const FILLED_IN = 0.5e-3;

/** Whether litres are those of the plan, as a form was filled with them. */
const repeats = ({ counted, volume }: Sprayed, { volume: plan }: PlannedCoat): boolean =>
  counted === false &&
  Math.abs(volume - Math.max(FILLED_IN, Math.round(plan.value / FILLED_IN) * FILLED_IN)) < 1e-9;

/** A coat of the plan beside what the log says of it. */
function compare(
  planned: PlannedCoat,
  found: CoatRecord | undefined,
  used: number,
  worked: (coat: CoatRecord, from: number, until: number) => number | undefined,
): CoatCompared {
  const plan = asSold(planned.volume.value, planned);
  if (!found) return { planned, plan, used, state: 'to do', repeatsPlan: false };
  const finished = finishedTogether(found.finishes, planned.trueArea);
  const { started } = found;
  const time =
    started !== undefined && finished && finished.at > started
      ? worked(found, started, finished.at)
      : undefined;
  return {
    ...{ planned, plan, used },
    actual: { ...found, finished },
    state: finished ? 'done' : 'begun',
    repeatsPlan: found.sprayed.length > 0 && found.sprayed.every((one) => repeats(one, planned)),
    ...(time === undefined ? {} : { time: time / 1000 }),
  };
}

/** Film a tip laid over what it lays when new, by the last fan measured before each was sprayed and by what went through each. */
function wearAt(record: SiteRecord, tips: ReadonlyMap<string, OwnedTip>) {
  const filmAt = (tip: string | undefined, at: number): number => {
    const owned = tip === undefined ? undefined : tips.get(tip);
    if (!owned) return 1;
    const fan = record.of('fan measured').findLast((one) => one.tip === tip && one.at <= at);
    if (!fan || fan.width >= fanWidth(owned.code.fan, NOMINAL_DISTANCE)) return 1;
    const wear = wornTip(owned.code, { by: 'fan', width: fan.width });
    return wear.ok ? wear.value.filmRatio.value : 1;
  };
  return ({ sprayed, volume }: CoatRecord): number =>
    volume > 0 ? sum(sprayed.map((one) => (one.volume * filmAt(one.tip, one.at)) / volume)) : 1;
}

/**
 * Where the paint of a coat went: used − planned parted by the logarithmic mean Divisia index (Ang 2005), which leaves
 * nothing over. V = area · film ÷ loss, so ln V over plan is the sum of the logs of its factors.
 */
export function causesOf(
  { planned, plan, used, actual }: CoatCompared,
  wear: number,
): Readonly<Record<Cause, number>> {
  const none = { area: 0, film: 0, wear: 0, loss: 0, untold: 0 };
  if (!actual || used <= 0 || plan <= 0) return none;
  const whole = Math.log(used / plan);
  // The logarithmic mean; both alike, it is what they are.
  const mean = Math.abs(whole) < 1e-9 ? used : (used - plan) / whole;
  const area = actual.finished ? Math.log(actual.finished.trueArea / planned.trueArea) : 0;
  const rest = whole - area;
  if (actual.wet === undefined) return { ...none, area: mean * area, untold: mean * rest };
  // Of paint as it is sold: more thinner makes a thicker film of the same paint.
  const film = Math.log(actual.wet / (1 + actual.thinner) / asSold(planned.wet, planned));
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

/**
 * Plan against actual of a job, coating by coating in the order of the plan, then those that are in none.
 * @param job nothing: paint that belongs to no job, or to one that is gone
 */
export function comparePlan(
  planned: readonly PlannedCoat[],
  record: SiteRecord,
  tips: readonly OwnedTip[],
  job: string | undefined,
  jobs: JobsOfPaint,
  dayOf: DayOf = utcDay,
): readonly CoatingCompared[] {
  const wearOf = wearAt(record, new Map(tips.map((one) => [one.tip, one])));
  const coats = new Map(planned.map((one) => [keyOf(one), one]));
  const ofCoating = new Map(planned.map((one) => [one.coating, one]));
  const paint = paintOfJob(
    record,
    job,
    jobs,
    (of) => (coats.get(keyOf(of)) ?? ofCoating.get(of.coating))?.thinning ?? 0,
  );
  const used = new Map<string, number>();
  const beside = new Map<string, TakenPaint[]>();
  for (const one of paint.taken) {
    const key = keyOf(one);
    if (coats.has(key)) used.set(key, (used.get(key) ?? 0) + one.volume);
    else addTo(beside, one.coating, one);
  }
  const byCoating = new Map<string, CoatCompared[]>();
  for (const one of planned)
    addTo(
      byCoating,
      one.coating,
      compare(one, record.coatOf(one), used.get(keyOf(one)) ?? 0, (coat, from, until) =>
        timeWorked(record, coat.job, [from, until], dayOf),
      ),
    );
  const isHere = (surface: string) => job !== undefined && jobs.jobOfSurface(surface) === job;
  const others = [...beside.keys(), ...paint.delivered.keys(), ...paint.out.keys()];
  return [...new Set([...byCoating.keys(), ...others])].map((coating) =>
    ofOne(coating, byCoating.get(coating) ?? [], wearOf, {
      delivered: paint.delivered.get(coating),
      out: sum((paint.out.get(coating) ?? []).map(({ volume }) => volume)),
      beside: besideOf(beside.get(coating) ?? [], isHere),
    }),
  );
}

const keyOf = ({ surface, coating, coat }: Pick<TakenPaint, 'surface' | 'coating' | 'coat'>): string =>
  coat === undefined ? '' : `${surface} ${coating} ${coat}`;

const sum = (values: readonly number[]) => values.reduce((total, one) => total + one, 0);

/** Paint on no coat of the plan, by why. */
function besideOf(taken: readonly TakenPaint[], isHere: (surface: string) => boolean): readonly BesidePlan[] {
  const found = new Map<BesidePlan['why'], TakenPaint[]>();
  for (const one of taken) {
    const { surface, touchUp } = one;
    const why = touchUp
      ? 'touch-up'
      : surface === undefined
        ? 'nowhere'
        : isHere(surface)
          ? 'beyond'
          : 'gone';
    addTo(found, why, one);
  }
  return [...found].map(([why, all]) => ({
    why,
    volume: sum(all.map(({ volume }) => volume)),
    surfaces: [...new Set(all.flatMap(({ surface }) => surface ?? []))],
  }));
}

/** Paint of one coating that did not go on its coats. */
interface Rest {
  readonly delivered: number | undefined;
  readonly out: number;
  readonly beside: readonly BesidePlan[];
}

function ofOne(
  coating: string,
  coats: readonly CoatCompared[],
  wearOf: (coat: CoatRecord) => number,
  { delivered: came, out, beside }: Rest,
): CoatingCompared {
  const done = coats.filter((one) => one.state === 'done' && one.used > 0 && !one.repeatsPlan);
  const open = coats.filter(({ state }) => state !== 'done');
  const causes = CAUSE_NAMES.map((cause) => ({ cause, volume: 0 }));
  for (const one of done) {
    const parts = causesOf(one, one.actual ? wearOf(one.actual) : 1);
    for (const each of causes) each.volume += parts[each.cause];
  }
  const ratios = done.map((one) => one.used / one.plan);
  const plan = workingDefault('Litres over plan', 'factor', 1, 0.8, 1.25, 'The plan itself');
  const { value: learned } = learnedValue(plan, [ratios], COAT_SPREAD);
  const factor: Explained = { ...learned, formula: 'job factor' };
  const used = sum(coats.map((one) => one.used)) + sum(beside.map(({ volume }) => volume));
  const needed = explain(
    'litres still needed',
    'volume',
    {
      open: {
        ...given(
          'Planned for coats not done',
          'volume',
          sum(open.map((one) => one.plan)),
          'Plan of this job',
        ),
        low: sum(open.map(({ planned }) => asSold(planned.volume.low, planned))),
        high: sum(open.map(({ planned }) => asSold(planned.volume.high, planned))),
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
        sum(open.map((one) => Math.min(one.used, one.plan * factor.value))),
        'Site log',
      ),
    },
    (v) => Math.max(0, v.open * v.factor - v.begun),
  );
  const compared = {
    coating,
    coats,
    planned: sum(coats.map((one) => one.plan)),
    ...{ used, beside, out },
    plannedDone: sum(done.map((one) => one.plan)),
    usedDone: sum(done.map((one) => one.used)),
    causes,
    factor,
    needed: { ...needed, low: Math.max(0, needed.low) },
  };
  if (came === undefined) return compared;
  // What was used has come, too, whether somebody wrote it down or not.
  const delivered = Math.max(came, used + out);
  const atHand = explain(
    'litres at hand',
    'volume',
    {
      delivered: given('Delivered', 'volume', delivered, 'Site log'),
      used: given('Used, without the thinner in it', 'volume', used, 'Site log'),
      out: given('Given back, taken away or poured away', 'volume', out, 'Site log'),
    },
    (v) => Math.max(0, v.delivered - v.used - v.out),
  );
  const counted = { ...compared, delivered, unwritten: delivered - came, atHand };
  const usable = usableOf(atHand.value, came);
  const before = firstBeyond(open, factor.value, usable.value);
  if (!before) return counted;
  const volume = needed.value - usable.value;
  return {
    ...counted,
    short: {
      volume,
      low: volume - Math.hypot(needed.value - needed.low, usable.high - usable.value),
      high: volume + Math.hypot(needed.high - needed.value, usable.value - usable.low),
      before,
    },
  };
}

/** What of the paint at hand comes out of its containers. */
function usableOf(atHand: number, delivered: number): Pick<Explained, 'value' | 'low' | 'high'> {
  const { likely, low, high } = LOSSES.containerResidue;
  const out = (residue: number) => Math.max(0, atHand - delivered * residue);
  return { value: out(likely), low: out(high), high: out(low) };
}

/** The first open coat the paint at hand does not reach for: first coats of all surfaces come before second ones. */
function firstBeyond(open: readonly CoatCompared[], factor: number, usable: number): PlannedCoat | undefined {
  let wanted = 0;
  for (const { planned, plan, used } of [...open].sort((a, b) => a.planned.coat - b.planned.coat)) {
    wanted += Math.max(0, plan * factor - used);
    if (wanted > usable) return planned;
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
