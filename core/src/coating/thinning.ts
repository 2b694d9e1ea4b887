import { explain, chosen, given, type Explained, type Input } from '../explain';
import {
  accept,
  firstRefusal,
  quantity,
  showText,
  within,
  type Fraction,
  type Result,
  type Temperature,
  type Time,
  type UnitSystem,
  type Viscosity,
  type Volume,
} from '../units';
import { PAINT_LIMITS, REFERENCE_TEMPERATURE, temperatureFactor } from './rheology';
import { usualSlopes, type PaintSlopes } from './slopes';
import { temperatureWhenSprayed, warmingTime } from './warming';

export interface ThinningRequest {
  /** What the paint reads now, at its temperature. */
  readonly viscosity: Viscosity;
  readonly temperature: Temperature;
  /** Viscosity wanted, as it is sprayed. */
  readonly target: Viscosity;
  /** Most thinner the data sheet allows, per volume of paint. */
  readonly limit: Fraction;
  /** Thinner already in it, per volume of paint. */
  readonly already: Fraction;
  /** Paint in the container to be thinned, with the thinner already in it. */
  readonly container: Volume;
  readonly room: Temperature;
  /** Until it is sprayed; at once where missing. */
  readonly wait?: Time;
  /** Slopes learned; defaults where missing. */
  readonly slopes?: PaintSlopes;
}

export const THINNING_MOVES = [
  'spray',
  'thin',
  'thin for the cold',
  'warm',
  'warm, then thin',
  'limit',
  'too thin',
] as const;
export type ThinningMove = (typeof THINNING_MOVES)[number];

export interface ThinningAdvice {
  readonly move: ThinningMove;
  readonly words: string;
  /** Temperature at which it will be sprayed, and what it reads then with nothing added. */
  readonly sprayedAt: Explained;
  readonly readsSprayed: Explained;
  /** Thinner per volume of paint to add, as the reading of now would have it. */
  readonly now: Explained;
  /** The same for the temperature at which it will be sprayed. */
  readonly sprayed: Explained;
  /** The same once the paint has the temperature of the room, or 23 °C in a cold one. */
  readonly warm: Explained;
  /** Thinner for this container for the move advised. */
  readonly amount: Explained;
  /** What it would read at 23 °C if it were thinned by the reading of now. */
  readonly readsWarmIfThinnedNow: Explained;
  /** What it would read at 23 °C with the amount advised in it. */
  readonly readsWarmThen: number;
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
/** A week. */
const WAIT = { min: 0, max: 604_800 } as const;

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
    within(request.wait ?? 0, WAIT, 'duration', system, 'wait', 'Until it is sprayed'),
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
 * How much to add for a target at the temperature at which it will be sprayed, inside the data sheet's limit, and whether to warm
 * the paint first: cold paint thinned to spec runs once it is warm.
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
  const aim = chosen('Wanted', 'viscosity', target, 'Target as it is sprayed');
  const before = given('Thinner already in', 'percent', already, 'Written down');
  const at = given('Paint now', 'temperature', temperature, 'Measured');
  const k = slopes.thinning;
  const B = slopes.temperature;
  const factor = (to: number, now: number, slope: number) =>
    temperatureFactor(quantity(to), quantity(now), slope);

  const sprayedAt = temperatureWhenSprayed(container, temperature, room, request.wait ?? 0);
  const then: Input = {
    ...given('As it is sprayed', 'temperature', sprayedAt.value, 'Container, room and wait'),
    low: sprayedAt.low,
    high: sprayedAt.high,
    basis: sprayedAt.basis,
  };
  const roomIsWarm = room > REFERENCE_TEMPERATURE - COLD;
  const warmAt = chosen(
    'Warm',
    'temperature',
    roomIsWarm ? room : REFERENCE_TEMPERATURE,
    'Room, or a warm one where it is cold',
  );
  const readsWarm = explain(
    'warm reading',
    'viscosity',
    { viscosity, at, B },
    (v) => v.viscosity * factor(REFERENCE_TEMPERATURE, v.at, v.B),
  );
  const readsSprayed = explain(
    'warm reading',
    'viscosity',
    { viscosity, at, B, then },
    (v) => v.viscosity * factor(v.then, v.at, v.B),
  );
  const now = explain('thinner to add', 'percent', { viscosity, aim, k, before }, (v) =>
    thinnerToAdd(v.viscosity, v.aim, v.k, v.before),
  );
  const sprayed = explain('thinner to add', 'percent', { viscosity, aim, k, before, at, B, then }, (v) =>
    thinnerToAdd(v.viscosity * factor(v.then, v.at, v.B), v.aim, v.k, v.before),
  );
  const warm = explain('thinner to add', 'percent', { viscosity, aim, k, before, at, B, warmAt }, (v) =>
    thinnerToAdd(v.viscosity * factor(v.warmAt, v.at, v.B), v.aim, v.k, v.before),
  );
  /** At 23 °C with so much added. */
  const warmWith = (v: Record<'viscosity' | 'at' | 'B' | 'k' | 'before', number>, added: number) =>
    v.viscosity * factor(REFERENCE_TEMPERATURE, v.at, v.B) * Math.exp(-v.k * addedShare(added, v.before));
  const readsWarmIfThinnedNow = explain(
    'warm reading',
    'viscosity',
    { viscosity, aim, k, before, at, B },
    (v) => warmWith(v, thinnerToAdd(v.viscosity, v.aim, v.k, v.before)),
  );
  const time = warmingTime(container, temperature, quantity(room - 2), room, system);
  const left = Math.max(0, limit - already);
  const thick = (value: number) => value > target * (1 + NEAR);
  const fits = (share: number) => share <= left + 1e-9;
  const moveFor = (): ThinningMove => {
    if (readsSprayed.value < target * (1 - 2 * NEAR)) return 'too thin';
    if (!thick(readsSprayed.value)) return 'spray';
    // Too thick as it will be sprayed: because it is cold, or because it is thick?
    if (sprayedAt.value < warmAt.value - COLD) {
      const whenWarm = viscosity.value * factor(warmAt.value, temperature, B.value);
      const warms = roomIsWarm && room - temperature >= COLD;
      if (!thick(whenWarm)) return warms || !fits(sprayed.value) || left <= 0 ? 'warm' : 'thin for the cold';
      if (!fits(warm.value)) return 'limit';
      return warms ? 'warm, then thin' : fits(sprayed.value) ? 'thin for the cold' : 'limit';
    }
    return fits(sprayed.value) ? 'thin' : 'limit';
  };
  const move = moveFor();
  const share = {
    'too thin': 0,
    spray: 0,
    warm: 0,
    thin: sprayed.value,
    'thin for the cold': sprayed.value,
    'warm, then thin': warm.value,
    limit: left,
  }[move];
  const range = move === 'warm, then thin' ? warm : sprayed;
  const readsWarmThen = warmWith(
    { viscosity: viscosity.value, at: temperature, B: B.value, k: k.value, before: already },
    share,
  );
  const amount = explain(
    'thinner to add',
    'millilitres',
    {
      container: chosen('In the container', 'volume', container, 'Chosen here'),
      before,
      share: {
        ...given('Thinner per paint', 'percent', share, 'Advice of this check'),
        low: Math.min(share, Math.max(0, range.low)),
        high: Math.max(share, Math.min(left, range.high)),
        basis: range.basis,
      },
    },
    (v) => (v.container / (1 + v.before)) * v.share,
  );
  return accept({
    move,
    words: wordsFor(
      move,
      {
        amount: amount.value,
        limit,
        time,
        readsWarmThen,
        coldNow: temperature < REFERENCE_TEMPERATURE - COLD,
      },
      system,
    ),
    sprayedAt,
    readsSprayed,
    now,
    sprayed,
    warm,
    amount,
    readsWarmIfThinnedNow,
    readsWarmThen,
    readsWarm,
    ...(roomIsWarm && room - temperature >= COLD && time.ok ? { warmingTime: time.value } : {}),
  });
}

interface Said {
  readonly amount: number;
  readonly limit: Fraction;
  readonly time: Result<Explained>;
  readonly readsWarmThen: number;
  readonly coldNow: boolean;
}

function wordsFor(
  move: ThinningMove,
  { amount, limit, time, readsWarmThen, coldNow }: Said,
  system: UnitSystem,
): string {
  const some = showText(amount, 'millilitres', system);
  const most = `${Math.round(limit * 1000) / 10} %`;
  const hours = (seconds: number) => `${Math.round(seconds / 3600)}`;
  const wait = time.ok
    ? ` That takes about ${hours(time.value.low)} to ${hours(time.value.high)} h standing; stirring is faster.`
    : ' Bring it into a warm room, or stand it in warm water.';
  const onceWarm = `once warm it reads ${showText(readsWarmThen, 'viscosity', system)}`;
  switch (move) {
    case 'spray':
      return coldNow
        ? `As wanted, as cold as it is: ${onceWarm}. Use it up before it warms.`
        : 'As wanted. Strain it and spray.';
    case 'thin':
      return `Add half of ${some}, stir, measure again, then the rest. Never past ${most}.`;
    case 'thin for the cold':
      return `Warm it, or thin it for the cold: half of ${some}, stir, measure again, then the rest, never past ${most}. But ${onceWarm}: use it up cold.`;
    case 'warm':
      return `It is cold, not thick. Warm it and add nothing.${wait}`;
    case 'warm, then thin':
      return `Warm it first, then add up to ${some}. Thinned cold it would run once warm.${wait}`;
    case 'limit':
      return limit <= 0
        ? `The data sheet allows no thinner. Warm it or fit a larger orifice.`
        : `The data sheet allows ${most} and that is not enough: ${amount > 0 ? `add ${some} at most, then warm it` : 'warm it'} or fit a larger orifice.`;
    case 'too thin':
      return 'It will be thinner than wanted when it is sprayed. Add nothing; mix in unthinned paint of the same batch, or let it cool.';
  }
}
