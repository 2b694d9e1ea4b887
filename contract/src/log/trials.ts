import {
  JUDGED_NAMES,
  MEASURE_NAMES,
  compareTrials,
  type CoatRecord,
  type Compared,
  type Judged,
  type Measure,
  type SiteRecord,
} from '@fine-spray/core/record';
import type { Element } from '@fine-spray/core/takeoff';
import type { Result } from '@fine-spray/core/units';
import { entriesOfKind, type Entry } from '../entry';

/** What the trials of one product say, thing by thing. */
export interface ProductTrials {
  readonly coating: string;
  readonly measured: Readonly<Record<Measure, readonly number[]>>;
  readonly judged: Readonly<Record<Judged, readonly number[]>>;
  /** Finished coats on this kind of surface. */
  readonly coats: number;
  /** Tips of the kit it was sprayed with, and jobs it was sprayed on. */
  readonly tips: ReadonlySet<string>;
  readonly jobs: ReadonlySet<string>;
}

/** Standard deviations trials have at least: what a hand cannot tell. Judgement. */
const FLOOR: Readonly<Record<Measure, number>> = {
  // m³/m², m: a twentieth of a usual film.
  litres: 5e-6,
  coats: 0.4,
  pressure: 3e5,
  film: 5e-6,
  // s/m²
  time: 2,
};
const JUDGED_FLOOR = 0.5;
/** A coat is taken to have been sprayed in one go up to this, s for each m²: beyond, somebody did something else between. */
const SLOWEST = 600;

/**
 * The trials of a product on one kind of surface, by the log: each finished coat is one for paint, film and time, each dial-in for
 * the pressure, each surface for its coats, each judgement for what was judged.
 */
export function trialsOf(
  record: SiteRecord,
  entries: readonly Entry[],
  coating: string,
  element: Element,
): ProductTrials {
  const coats = record.coats.filter((one) => one.coating === coating && one.finished?.element === element);
  const surfaces = new Map<string, number>();
  for (const { surface } of coats) surfaces.set(surface, (surfaces.get(surface) ?? 0) + 1);
  const area = ({ finished }: CoatRecord) => finished?.trueArea ?? 0;
  const timeOf = ({ started, finished, ...coat }: CoatRecord): number[] => {
    if (started === undefined || !finished || area({ ...coat, started, finished }) <= 0) return [];
    const each = (finished.at - started) / 1000 / finished.trueArea;
    return each > 0 && each <= SLOWEST ? [each] : [];
  };
  const here = new Set(coats.map(({ surface }) => surface));
  const judged = entriesOfKind(entries, 'trial').filter(
    ({ payload }) => payload.coatingId === coating && payload.element === element,
  );
  return {
    coating,
    measured: {
      litres: coats.flatMap((one) =>
        one.volume > 0 && area(one) > 0 ? [one.volume / (1 + one.thinner) / area(one)] : [],
      ),
      coats: [...surfaces.values()],
      pressure: record
        .of('set-up confirmed')
        .flatMap((one) =>
          one.coating === coating && one.sure && here.has(one.surface) ? [one.pressure] : [],
        ),
      film: coats.flatMap(({ wet }) => (wet === undefined ? [] : [wet])),
      time: coats.flatMap(timeOf),
    },
    judged: Object.fromEntries(
      JUDGED_NAMES.map((name) => [name, judged.flatMap(({ payload }) => payload.scores[name] ?? [])]),
    ) as Record<Judged, number[]>,
    coats: coats.length,
    tips: new Set(coats.flatMap(({ sprayed }) => sprayed.flatMap(({ tip }) => tip ?? []))),
    jobs: new Set(coats.flatMap(({ job }) => job ?? [])),
  };
}

/** Kinds of surface that something of the log is about, by how many coats; those products were judged on, too. */
export function triedOn(record: SiteRecord, entries: readonly Entry[]): readonly Element[] {
  const counts = new Map<Element, number>();
  const count = (element: Element) => counts.set(element, (counts.get(element) ?? 0) + 1);
  for (const { finished } of record.coats) if (finished) count(finished.element);
  for (const { payload } of entriesOfKind(entries, 'trial')) count(payload.element);
  return [...counts].sort(([, a], [, b]) => b - a).map(([element]) => element);
}

/** Products tried on a kind of surface, the most often tried first. */
export function productsOn(
  record: SiteRecord,
  entries: readonly Entry[],
  element: Element,
): readonly string[] {
  const counts = new Map<string, number>();
  const count = (coating: string) => counts.set(coating, (counts.get(coating) ?? 0) + 1);
  for (const { coating, finished } of record.coats) if (finished?.element === element) count(coating);
  for (const { payload } of entriesOfKind(entries, 'trial'))
    if (payload.element === element) count(payload.coatingId);
  return [...counts].sort(([, a], [, b]) => b - a).map(([coating]) => coating);
}

/** Two products in everything that was measured or judged of both, and what stands in the way of the rest. */
export function compareProducts(
  first: ProductTrials,
  second: ProductTrials,
): {
  readonly measured: readonly { readonly of: Measure; readonly compared: Result<Compared> }[];
  readonly judged: readonly { readonly of: Judged; readonly compared: Result<Compared> }[];
} {
  return {
    measured: MEASURE_NAMES.map((of) => ({
      of,
      compared: compareTrials(first.measured[of], second.measured[of], FLOOR[of]),
    })),
    judged: JUDGED_NAMES.map((of) => ({
      of,
      compared: compareTrials(first.judged[of], second.judged[of], JUDGED_FLOOR),
    })),
  };
}
