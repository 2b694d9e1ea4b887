import {
  DRYING,
  REFERENCE_TEMPERATURE,
  coatingInput,
  dryingTemperatureFactor,
  viscosityOf,
  type Coating,
} from '../coating';
import { laidPerArea } from '../film';
import { OPEN_TIME } from '../passing';
import type { PassSettings } from '../passes';
import { setupCard, type SetupCard, type SetupRequest } from '../setup';
import { accept, quantity, type Result, type UnitSystem } from '../units';
import { passSettingsOf, wallFilm, type WallFilm } from '../wallFilm';

/** What a wet film is held up and pulled down by. */
export interface WetPaint {
  /** kg/m³. */
  readonly density: number;
  /** Low-shear viscosity, Pa·s. */
  readonly viscosity: number;
}

/** What somebody practises on: a piece with the film that is wanted on it, and the passes that would lay it. */
export interface PracticeTarget {
  readonly wall: WallFilm;
  readonly settings: PassSettings;
  /** Wet film wanted, m. */
  readonly wanted: number;
  readonly paint: WetPaint;
  /** How long an edge takes a fresh lap, s: after it a lap shows. */
  readonly openTime: number;
  /** How far paint that has passed its limit is let go: a wall runs, a ceiling drips. */
  readonly upright: boolean;
}

/**
 * How long an edge stays open at a temperature, s: the least of ten to fifteen minutes at 23 °C, as drying goes (judgement). What is hotter
 * than the rule holds is taken as the hottest it does.
 */
export function openTimeAt(temperature: number): number {
  return OPEN_TIME.least * dryingTemperatureFactor(quantity(Math.min(DRYING.high, temperature)));
}

function wetPaint(coating: Coating, { thinning, paintTemperature }: SetupRequest): Result<WetPaint> {
  const viscosity = viscosityOf(coating, {
    temperature: paintTemperature ?? REFERENCE_TEMPERATURE,
    thinner: thinning,
  });
  if (!viscosity.ok) return viscosity;
  return accept({ density: coatingInput(coating, 'density').value, viscosity: viscosity.value.value });
}

/** What is practised on, from a set-up and the card of it. */
export function practiceTarget(
  request: SetupRequest,
  card: SetupCard,
  system: UnitSystem = 'metric',
): Result<PracticeTarget> {
  const wall = wallFilm(request, card, undefined, system);
  if (!wall.ok) return wall;
  const paint = wetPaint(request.coating, request);
  if (!paint.ok) return paint;
  return accept({
    wall: wall.value,
    settings: passSettingsOf(card),
    wanted: card.wetFilm.value,
    paint: paint.value,
    openTime: openTimeAt(request.coldest ?? REFERENCE_TEMPERATURE),
    upright: request.element !== 'ceiling',
  });
}

/** The same from a set-up alone. */
export function targetOf(request: SetupRequest, system: UnitSystem = 'metric'): Result<PracticeTarget> {
  const card = setupCard(request, system);
  return card.ok ? practiceTarget(request, card.value, system) : card;
}

/** What has to land on a flat square metre for a film, m. */
export function laidFor({ wall }: PracticeTarget, film: number): number {
  const { ground } = wall.job;
  return ground ? laidPerArea(ground.trueArea, film, ground.soaks) : film;
}
