import { explain, chosen, given, type Explained } from '../explain';
import {
  accept,
  firstRefusal,
  quantity,
  showText,
  within,
  type Fraction,
  type Result,
  type Temperature,
  type UnitSystem,
  type Viscosity,
  type Volume,
} from '../units';
import { PAINT_LIMITS, REFERENCE_TEMPERATURE, temperatureFactor } from './rheology';
import { usualSlopes, type PaintSlopes } from './slopes';
import { warmingTime } from './warming';

export interface ThinningRequest {
  /** What the paint reads now, at its temperature. */
  readonly viscosity: Viscosity;
  readonly temperature: Temperature;
  /** Viscosity wanted, as read at 23 °C. */
  readonly target: Viscosity;
  /** Most thinner the data sheet allows, per volume of paint. */
  readonly limit: Fraction;
  /** Thinner already in it, per volume of paint. */
  readonly already: Fraction;
  /** Paint in the container to be thinned, with the thinner already in it. */
  readonly container: Volume;
  readonly room: Temperature;
  /** Slopes learned; defaults where missing. */
  readonly slopes?: PaintSlopes;
}

export type ThinningMove = 'spray' | 'thin' | 'warm' | 'warm, then thin' | 'limit' | 'too thin';

export interface ThinningAdvice {
  readonly move: ThinningMove;
  readonly words: string;
  /** Thinner per volume of paint to add, as the reading of now would have it. */
  readonly now: Explained;
  /** The same once the paint stands at room temperature. */
  readonly warm: Explained;
  /** Thinner for this container for the move advised. */
  readonly amount: Explained;
  /** What it would read at 23 °C if it were thinned by the reading of now. */
  readonly readsWarmIfThinnedNow: Explained;
  /** What it reads at 23 °C with nothing added. */
  readonly readsWarm: Explained;
  /** From stirred to never stirred; missing where the room is no warmer than the paint. */
  readonly warmingTime?: Explained;
}

/** Paint this much colder than the room counts as cold, C°. */
const COLD = 4;
/** Readings so near the target need nothing. */
const NEAR = 0.07;

const CONTAINER = { min: 1e-4, max: 1.2 } as const;

function check(request: ThinningRequest, system: UnitSystem) {
  const { viscosity, thinner, temperature } = PAINT_LIMITS;
  return firstRefusal(
    within(request.viscosity, viscosity, 'viscosity', system, 'viscosity', 'Viscosity'),
    within(request.target, viscosity, 'viscosity', system, 'target', 'Wanted viscosity'),
    within(request.temperature, temperature, 'temperature', system, 'temperature', 'Paint temperature'),
    within(request.room, temperature, 'temperature', system, 'room', 'Room temperature'),
    within(request.limit, thinner, 'percent', system, 'limit', 'Thinning limit'),
    within(request.already, thinner, 'percent', system, 'already', 'Thinner already in'),
    within(request.container, CONTAINER, 'volume', system, 'container', 'Container'),
  );
}

/**
 * Thinner to add per volume of unthinned paint: x rises by ln(η/η target)/k of the mix. Zero when the paint is at or
 * below the target.
 */
export function thinnerToAdd(viscosity: number, target: number, slope: number, already: number): number {
  const before = already / (1 + already);
  const share = Math.min(0.9, before + Math.max(0, Math.log(viscosity / target)) / slope);
  return share / (1 - share) - already;
}

/** Share of the mix that was added when r per volume of unthinned paint goes to a mix that holds `already`. */
function addedShare(r: number, already: number): number {
  const total = already + r;
  return total / (1 + total) - already / (1 + already);
}

/**
 * How much to add for a target, inside the data sheet's limit, and whether to warm the paint first: cold paint thinned
 * to spec runs once it is warm.
 */
export function thinningAdvice(
  request: ThinningRequest,
  system: UnitSystem = 'metric',
): Result<ThinningAdvice> {
  const failed = check(request, system);
  if (failed) return failed;
  const { target, limit, already, container, room, temperature } = request;
  const slopes = request.slopes ?? usualSlopes(request.viscosity);
  const viscosity = given('Reads now', 'viscosity', request.viscosity, 'Measured');
  const aim = chosen('Wanted', 'viscosity', target, 'Target at 23 °C');
  const before = given('Thinner already in', 'percent', already, 'Written down');
  const at = given('Paint now', 'temperature', temperature, 'Measured');
  const k = slopes.thinning;
  const B = slopes.temperature;
  const warmFactor = (now: number, slope: number) =>
    temperatureFactor(REFERENCE_TEMPERATURE, quantity(now), slope);

  const readsWarm = explain(
    'warm reading',
    'viscosity',
    { viscosity, at, B },
    (v) => v.viscosity * warmFactor(v.at, v.B),
  );
  const now = explain('thinner to add', 'percent', { viscosity, aim, k, before }, (v) =>
    thinnerToAdd(v.viscosity, v.aim, v.k, v.before),
  );
  const warm = explain('thinner to add', 'percent', { viscosity, aim, k, before, at, B }, (v) =>
    thinnerToAdd(v.viscosity * warmFactor(v.at, v.B), v.aim, v.k, v.before),
  );
  const readsWarmIfThinnedNow = explain(
    'warm reading',
    'viscosity',
    { viscosity, aim, k, before, at, B },
    (v) => {
      const added = thinnerToAdd(v.viscosity, v.aim, v.k, v.before);
      return v.viscosity * warmFactor(v.at, v.B) * Math.exp(-v.k * addedShare(added, v.before));
    },
  );
  const time = warmingTime(container, temperature, quantity(room - 2), room, system);
  const cold = room - temperature >= COLD;
  const left = Math.max(0, limit - already);
  const near = (value: number) => value <= target * (1 + NEAR);
  const moveFor = (): ThinningMove => {
    if (readsWarm.value < target * (1 - 2 * NEAR) && near(request.viscosity)) return 'too thin';
    if (!cold) return near(readsWarm.value) ? 'spray' : warm.value <= left + 1e-9 ? 'thin' : 'limit';
    if (near(readsWarm.value)) return 'warm';
    return warm.value <= left + 1e-9 ? 'warm, then thin' : 'limit';
  };
  const move = moveFor();
  const share = move === 'limit' ? left : move === 'thin' || move === 'warm, then thin' ? warm.value : 0;
  const amount = explain(
    'thinner to add',
    'millilitres',
    {
      container: chosen('In the container', 'volume', container, 'Chosen here'),
      before,
      share: {
        ...given('Thinner per paint', 'percent', share, 'Advice of this check'),
        low: Math.min(share, Math.max(0, warm.low)),
        high: Math.max(share, Math.min(left, warm.high)),
        basis: warm.basis,
      },
    },
    (v) => (v.container / (1 + v.before)) * v.share,
  );
  return accept({
    move,
    words: wordsFor(move, { amount: amount.value, limit, time }, system),
    now,
    warm,
    amount,
    readsWarmIfThinnedNow,
    readsWarm,
    ...(cold && time.ok ? { warmingTime: time.value } : {}),
  });
}

function wordsFor(
  move: ThinningMove,
  { amount, limit, time }: { amount: number; limit: Fraction; time: Result<Explained> },
  system: UnitSystem,
): string {
  const some = showText(amount, 'millilitres', system);
  const most = `${Math.round(limit * 1000) / 10} %`;
  const hours = (seconds: number) => `${Math.round(seconds / 3600)}`;
  const wait = time.ok
    ? ` That takes about ${hours(time.value.low)} to ${hours(time.value.high)} h standing; stirring is faster.`
    : '';
  switch (move) {
    case 'spray':
      return 'As wanted. Strain it and spray.';
    case 'thin':
      return `Add half of ${some}, stir, measure again, then the rest. Never past ${most}.`;
    case 'warm':
      return `It is cold, not thick. Warm it and add nothing.${wait}`;
    case 'warm, then thin':
      return `Warm it first, then add up to ${some}. Thinned cold it would run once warm.${wait}`;
    case 'limit':
      return limit <= 0
        ? `The data sheet allows no thinner. Warm it or fit a larger orifice.`
        : `The data sheet allows ${most} and that is not enough: ${amount > 0 ? `add ${some} at most, then warm it` : 'warm it'} or fit a larger orifice.`;
    case 'too thin':
      return 'It will be thinner than wanted once warm. Add nothing; mix in unthinned paint of the same batch.';
  }
}
