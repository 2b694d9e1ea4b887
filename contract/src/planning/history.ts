import {
  coatingValues,
  fitSlopes,
  slopesFrom,
  type Coating,
  type ViscosityReading,
} from '@fine-spray/core/coating';
import { workingDefault, type Input } from '@fine-spray/core/explain';
import { addTo } from '@fine-spray/core/grouping';
import type { LearnedTimes } from '@fine-spray/core/quantities';
import type { KnownPaint, SetupHistory } from '@fine-spray/core/setup';
import { counted, quantity } from '@fine-spray/core/units';
import { atOnce, type InSteps } from '@fine-spray/core/steps';
import {
  evenFansFrom,
  timesFrom,
  transferFrom,
  workKey,
  worksOf,
  type PieceOfWork,
  type SiteRecord,
} from '@fine-spray/core/record';

/** What the crew's own log changes in a plan: plain data, so that it can go to a worker with the kit. */
export interface PlanHistory {
  /** Share of the paint that lands, by kind of work. */
  readonly transfer: Readonly<Record<string, Input>>;
  /** Even-fan pressure over the heuristic's, by coating and family of tips. */
  readonly evenFan: Readonly<Record<string, NonNullable<SetupHistory['evenFan']>>>;
  /** What standard cups said of each coating. */
  readonly cups: Readonly<Record<string, readonly ViscosityReading[]>>;
  /** How long work takes this crew, by kind of work. */
  readonly times: LearnedTimes;
}

const READ = new WeakMap<SiteRecord, PlanHistory>();

/** Reads from a log what it has to say about the kinds of work, the coatings and the tips that are in it: once for each log. */
export const planHistory = (record: SiteRecord): PlanHistory =>
  READ.get(record) ?? atOnce(planHistoryInSteps(record));

/** The same in steps. */
export function* planHistoryInSteps(record: SiteRecord): InSteps<PlanHistory> {
  const transfer: Record<string, Input> = {};
  for (const work of worksOf(record)) {
    const found = transferFrom(record, work);
    if (found) transfer[workKey(work)] = found;
    yield;
  }
  const evenFan = evenFansFrom(record);
  yield;
  const cups = Object.fromEntries(cupReadings(record));
  yield;
  const history = { transfer, evenFan, cups, times: timesFrom(record) };
  READ.set(record, history);
  return history;
}

/** Each standard cup that was read, by coating. */
function cupReadings(record: SiteRecord): ReadonlyMap<string, readonly ViscosityReading[]> {
  const found = new Map<string, ViscosityReading[]>();
  for (const { coating, reads = [] } of record.of('viscosity'))
    for (const one of reads) addTo(found, coating, one);
  return found;
}

/** Cups of one kind read so far apart from each other. */
const CUP = 0.1;

const fitted = new WeakMap<
  readonly ViscosityReading[],
  { readonly sheet: number; readonly paint: KnownPaint | undefined }
>();

/** A paint by the cups that were read of it; fitted once for the same readings and sheet. */
function knownPaint(readings: readonly ViscosityReading[], coating: Coating): KnownPaint | undefined {
  const sheet = coatingValues(coating).viscosityLowShear;
  const known = fitted.get(readings);
  if (known?.sheet === sheet) return known.paint;
  const fit = fitSlopes(quantity(sheet), readings);
  const paint = fit.ok
    ? {
        thickness: {
          ...workingDefault('Thickness beside the sheet', 'factor', 1, 1 - CUP, 1 + CUP),
          value: fit.value.viscosity / sheet,
          low: ((1 - CUP) * fit.value.viscosity) / sheet,
          high: ((1 + CUP) * fit.value.viscosity) / sheet,
          basis: 'history' as const,
          source: `${counted(fit.value.readings, 'cup reading')} of this crew`,
        },
        slopes: slopesFrom(fit.value),
      }
    : undefined;
  fitted.set(readings, { sheet, paint });
  return paint;
}

/** What the history says of a kind of work with a coating; nothing where it is silent. */
export function historyOf(
  history: PlanHistory | undefined,
  work: PieceOfWork & { readonly coatingId: string },
  coating: Coating,
): SetupHistory | undefined {
  const [transfer, evenFan] = [history?.transfer[workKey(work)], history?.evenFan[work.coatingId]];
  const readings = history?.cups[work.coatingId];
  const paint = readings && knownPaint(readings, coating);
  return transfer || evenFan || paint ? { transfer, evenFan, paint } : undefined;
}
