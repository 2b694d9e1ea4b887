import { explain, chosen, given, workingDefault, type Explained } from '../explain';
import { NOMINAL_DISTANCE, GUN_DISTANCE_LIMITS } from '../tip';
import {
  GRAVITY,
  accept,
  firstRefusal,
  of,
  showText,
  within,
  type Length,
  type Result,
  type Speed,
  type UnitSystem,
} from '../units';

/** Air at 20 °C: density kg/m³ and viscosity Pa·s. */
const AIR = { density: 1.2, viscosity: 1.81e-5 } as const;

/** Drops of an airless fan, m: of the order of 100 μm, ±40 %. */
export const DROP = { likely: 100e-6, low: 60e-6, high: 140e-6 } as const;

/** Settling speed of a drop with the drag of Schiller and Naumann (1935), f = 1 + 0.15·Re^0.687, by fixed point. */
export function settlingSpeed(diameter: Length, density: number): number {
  const stokes = ((density - AIR.density) * GRAVITY * diameter * diameter) / (18 * AIR.viscosity);
  let speed = stokes;
  for (let round = 0; round < 60; round += 1) {
    const reynolds = (AIR.density * speed * diameter) / AIR.viscosity;
    speed = (speed + stokes / (1 + 0.15 * reynolds ** 0.687)) / 2;
  }
  return speed;
}

export interface DriftRequest {
  /** Spraying height above the ground. */
  readonly height: Length;
  readonly wind: Speed;
  /** Paint density, kg/m³. */
  readonly density: number;
}

/**
 * How far mist drifts before it lands: what must be covered. The range is that of the drop size: fine drops go
 * several times as far as the middle ones.
 */
export function driftReach(
  { height, wind, density }: DriftRequest,
  system: UnitSystem = 'metric',
): Result<Explained> {
  const failed = firstRefusal(
    within(height, { min: 0.1, max: 60 }, 'size', system, 'height', 'Spraying height'),
    within(wind, { min: 0, max: 40 }, 'wind', system, 'wind', 'Wind'),
    within(density, { min: 600, max: 3000 }, 'density', system, 'density', 'Density'),
  );
  if (failed) return failed;
  const drop = workingDefault('Drop', 'wetFilm', DROP.likely, DROP.low, DROP.high, 'Airless fan, ±40 %');
  return accept(
    explain(
      'drift reach',
      'reach',
      {
        height: given('Spraying height', 'size', height, 'This piece'),
        wind: given('Wind', 'wind', wind, 'Measured or forecast'),
        drop,
      },
      (v) => (v.wind * v.height) / settlingSpeed(v.drop as Length, density),
    ),
  );
}

/** Working limits of wind, m/s; editable. */
export const WIND_LIMITS = { narrow: of(3, 'm/s'), stop: of(7, 'm/s') } as const;
/** How much sooner near cars, windows and neighbours. */
const NEAR_OTHERS = 0.7;
/** The limit moves between half and one and a half of itself. */
const MOVES = { least: 0.5, most: 1.5 } as const;
/** A gun is held no closer, m. */
const CLOSEST = of(200, 'mm');
/** Fan the limits are for. */
const REFERENCE_FAN = 5;

/** Way of a drop at the edge of a fan over the gun distance: √(1 + (W/2D)²) with W = D·F/6. */
const edgeWay = (fan: number) => Math.sqrt(1 + (fan / 12) ** 2);

export interface WindRequest {
  readonly fan: number;
  readonly distance: Length;
  readonly wind: Speed;
  readonly nearOthers: boolean;
  /** Wind to stop at in the open, with fan 5 at 12 in; the company may set its own. */
  readonly stopAt?: Speed;
}

export interface WindVerdict {
  readonly verdict: 'spray' | 'narrow the fan' | 'stop';
  readonly stopAt: Explained;
  readonly narrowFrom: number;
  readonly reason: string;
}

/** Whether the wind allows this fan at this distance, and the wind to stop at, with the reason. */
export function windLimit(request: WindRequest, system: UnitSystem = 'metric'): Result<WindVerdict> {
  const { fan, distance, wind, nearOthers } = request;
  const base = request.stopAt ?? WIND_LIMITS.stop;
  const failed = firstRefusal(
    within(fan, { min: 1, max: 24 }, 'count', system, 'fan', 'Fan number'),
    within(distance, GUN_DISTANCE_LIMITS, 'distance', system, 'distance', 'Gun distance'),
    within(wind, { min: 0, max: 60 }, 'wind', system, 'wind', 'Wind'),
    within(base, { min: 1, max: 15 }, 'wind', system, 'stopAt', 'Wind to stop at'),
  );
  if (failed) return failed;
  const stopAt = explain(
    'wind limit',
    'wind',
    {
      base: workingDefault(
        'Stop at, fan 5 at 12 in',
        'wind',
        base,
        base * 0.85,
        base * 1.15,
        'Working limit, editable',
      ),
      fan: chosen('Fan number', 'count', fan, 'Tip code'),
      distance: chosen('Gun distance', 'distance', distance, 'Chosen here'),
      near: given(
        'Share near others',
        'percent',
        nearOthers ? NEAR_OTHERS : 1,
        nearOthers ? 'Cars, windows, people near' : 'Nobody near',
      ),
    },
    (v) => {
      // A gun closer than its closest school lays no even film: it allows no more wind.
      const moved =
        (NOMINAL_DISTANCE / Math.max(v.distance, CLOSEST)) * (edgeWay(REFERENCE_FAN) / edgeWay(v.fan));
      return v.base * v.near * Math.min(MOVES.most, Math.max(MOVES.least, moved));
    },
  );
  const narrowFrom = (stopAt.value * WIND_LIMITS.narrow) / WIND_LIMITS.stop;
  const reaches = (limit: number) => wind >= limit * (1 - 1e-9);
  const verdict = reaches(stopAt.value) ? 'stop' : reaches(narrowFrom) ? 'narrow the fan' : 'spray';
  const limit = showText(stopAt.value, 'wind', system);
  const why = `The wider the fan and the farther the gun, the longer the drops fly${nearOthers ? ', and others are near' : ''}`;
  const reasons = {
    spray: `${why}: stop at ${limit}.`,
    'narrow the fan': `${why}. Take a narrower fan and keep the gun close; stop at ${limit}.`,
    stop: `${why}: at ${limit} and above the mist goes where you cannot cover. Stop.`,
  } as const;
  return accept({ verdict, stopAt, narrowFrom, reason: reasons[verdict] });
}
