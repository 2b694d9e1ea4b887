import { explain, given, type Explained, type Input } from '../explain';
import {
  accept,
  capital,
  quantity,
  refuse,
  showText,
  type Pressure,
  type Result,
  type UnitSystem,
} from '../units';

/**
 * A place of a knob: the index of one of its marks, in the order in which pressure rises, or halfway to the next one.
 * A hand sets it no finer.
 */
export type KnobPlace = number;

/** What tells the pressure of a machine. */
export const READOUTS = ['knob', 'display'] as const;
export type Readout = (typeof READOUTS)[number];

/** How a pressure was known when the place of the knob was read. */
export const READ_BY = {
  gauge: { name: 'Gauge', spread: 0.05 },
  display: { name: 'Display of the pump', spread: 0.05 },
  // The card tells which pressure is the lowest even one; how much that is follows from the paint.
  'dial-in': { name: 'Test card', spread: 0.15 },
} as const satisfies Record<string, { readonly name: string; readonly spread: number }>;
export type ReadBy = keyof typeof READ_BY;
export const READ_BYS = Object.keys(READ_BY) as [ReadBy, ...ReadBy[]];

export interface KnobReading {
  readonly place: KnobPlace;
  /** At the pump, spraying. */
  readonly pressure: Pressure;
  readonly by: ReadBy;
}

/** What a knob gives, place by place. Pressure never falls from one to the next. */
export interface KnobCurve {
  readonly points: readonly { readonly place: KnobPlace; readonly pressure: number }[];
  /** How far a reading lies about it, of its pressure. */
  readonly spread: number;
  readonly readings: number;
}

/** Readings before a curve says anything, and places they must be of. */
export const KNOB_READINGS = 3;
const KNOB_PLACES = 2;
/** Of one place only the last so many count: packings wear, a filter clogs. */
const LAST_OF_PLACE = 5;
/** A reading that contradicts another by more than this is looked at again before it is written. */
const CONTRADICTS = 0.1;

const weightOf = ({ by }: KnobReading): number => READ_BY[by].spread ** -2;

/** Blocks of neighbouring places that were put together because pressure fell between them. */
interface Block {
  readonly places: readonly KnobPlace[];
  readonly pressure: number;
  readonly weight: number;
}

function joinedBlocks(one: Block, other: Block): Block {
  const weight = one.weight + other.weight;
  return {
    places: [...one.places, ...other.places],
    pressure: (one.pressure * one.weight + other.pressure * other.weight) / weight,
    weight,
  };
}

/**
 * What a knob gives, from readings: the curve that never falls and is nearest to them, each weighed by how it was read
 * (isotonic regression by pooling of adjacent violators: Ayer and others 1955, Barlow and others 1972).
 * @param readings oldest first
 * @returns nothing before there are three of two places
 */
export function knobCurve(readings: readonly KnobReading[]): KnobCurve | undefined {
  const places = new Map<KnobPlace, KnobReading[]>();
  for (const one of readings)
    places.set(one.place, [...(places.get(one.place) ?? []), one].slice(-LAST_OF_PLACE));
  const kept = [...places.values()].flat();
  if (kept.length < KNOB_READINGS || places.size < KNOB_PLACES) return undefined;
  const blocks: Block[] = [];
  for (const [place, all] of [...places].sort(([a], [b]) => a - b)) {
    const weight = all.reduce((sum, one) => sum + weightOf(one), 0);
    const pressure = all.reduce((sum, one) => sum + one.pressure * weightOf(one), 0) / weight;
    let next: Block = { places: [place], pressure, weight };
    for (let last = blocks.at(-1); last && last.pressure > next.pressure; last = blocks.at(-1)) {
      blocks.pop();
      next = joinedBlocks(last, next);
    }
    blocks.push(next);
  }
  const points = blocks.flatMap(({ places: of, pressure }) => of.map((place) => ({ place, pressure })));
  const at = new Map(points.map(({ place, pressure }) => [place, pressure]));
  const squares = kept.reduce(
    (sum, { place, pressure }) => sum + (pressure / (at.get(place) ?? pressure) - 1) ** 2,
    0,
  );
  // What the readings themselves are worth is the least they lie about the curve.
  const least = Math.sqrt(kept.length / kept.reduce((sum, one) => sum + weightOf(one), 0));
  return {
    points,
    spread: Math.max(least, Math.sqrt(squares / Math.max(1, kept.length - places.size))),
    readings: kept.length,
  };
}

/**
 * Pressure at the pump at a place of the knob, between the places that were read.
 * @returns a refusal outside of them: a curve is not carried on
 */
export function pressureAtPlace(curve: KnobCurve, place: KnobPlace): Result<Explained> {
  const { points, spread, readings } = curve;
  const above = points.findIndex((one) => one.place >= place);
  const upper = points[above];
  const lower = upper?.place === place ? upper : points[above - 1];
  if (!upper || !lower)
    return refuse(
      'knob.outside',
      'mark',
      'Nothing was read there yet: hang the gauge on, or go by the card.',
    );
  const along = upper === lower ? 0 : (place - lower.place) / (upper.place - lower.place);
  const pressure = lower.pressure + (upper.pressure - lower.pressure) * along;
  const knob: Input = {
    ...given('By the knob', 'pressure', pressure, `${readings} readings of this sprayer`),
    low: pressure * (1 - spread),
    high: pressure * (1 + spread),
    basis: 'history',
  };
  return accept(explain('pressure by the knob', 'pressure', { knob }, (v) => v.knob));
}

/** Where to set a knob for a pressure. */
export interface KnobSetting {
  readonly place: KnobPlace;
  /** The pressure is below or above all that was read: the place is the nearest that is known. */
  readonly beyond?: 'below' | 'above';
  readonly pressure: Explained;
}

/** The place of a knob, to the half of a mark, that comes nearest to a pressure at the pump. */
export function placeFor(curve: KnobCurve, pump: number): KnobSetting | undefined {
  const [first, last] = [curve.points[0], curve.points.at(-1)];
  if (!first || !last) return undefined;
  let best: KnobSetting | undefined;
  for (let place = first.place; place <= last.place; place += 0.5) {
    const pressure = pressureAtPlace(curve, place);
    if (!pressure.ok) continue;
    const off = Math.abs(pressure.value.value - pump);
    if (best === undefined || off < Math.abs(best.pressure.value - pump) - 1)
      best = { place, pressure: pressure.value };
  }
  const beyond =
    pump < first.pressure * (1 - curve.spread)
      ? ('below' as const)
      : pump > last.pressure * (1 + curve.spread)
        ? ('above' as const)
        : undefined;
  return best && (beyond === undefined ? best : { ...best, beyond });
}

/**
 * Whether a new reading goes with those before: a knob turned up never gives less.
 * @param marks names of the marks, in the order in which pressure rises
 */
export function knobDoubt(
  readings: readonly KnobReading[],
  next: KnobReading,
  marks: readonly string[],
  system: UnitSystem = 'metric',
): string | undefined {
  const against = readings.findLast(({ place, pressure }) =>
    place < next.place
      ? pressure * (1 - CONTRADICTS) > next.pressure
      : place > next.place && pressure * (1 + CONTRADICTS) < next.pressure,
  );
  if (!against) return undefined;
  const [there, here] = [placeWordsOf(marks, against.place), placeWordsOf(marks, next.place)];
  return `${capital(there)} gave ${showText(against.pressure, 'pressure', system)}, and ${here} is ${against.place < next.place ? 'above' : 'below'} it: pressure cannot ${against.place < next.place ? 'fall' : 'rise'} there. Look at knob and gauge again, or take the older reading back.`;
}

/** A place of a knob in words: "half", "between half and three quarters". */
export function placeWordsOf(marks: readonly string[], place: KnobPlace): string {
  const below = marks[Math.floor(place)] ?? '';
  return Number.isInteger(place) ? below : `between ${below} and ${marks[Math.ceil(place)] ?? ''}`;
}

/** Every place of a knob, from its lowest mark to its highest. */
export const knobPlaces = (marks: readonly string[]): readonly KnobPlace[] =>
  Array.from({ length: Math.max(0, 2 * marks.length - 1) }, (_unused, index) => index / 2);

/**
 * Where to begin with a knob nobody has read yet: a little over half for a finish, lowest for priming the pump and for cleaning
 * (work.md, "Pressure without a gauge").
 */
export const firstPlace = (marks: readonly string[]): KnobPlace =>
  Math.min(marks.length - 1, marks.length / 2);

/** A pressure as a quantity of a reading. */
export const knobReading = (place: KnobPlace, pressure: number, by: ReadBy): KnobReading => ({
  place,
  pressure: quantity(pressure),
  by,
});
