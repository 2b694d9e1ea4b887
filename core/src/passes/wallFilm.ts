import { transferInput } from '../quantities';
import { seeded } from '../random';
import type { SetupCard, SetupRequest } from '../setup';
import type { Piece, Polygon } from '../shape';
import type { SimulationJob } from '../simulation';
import { extentOf, mainPiece, openingsArea, pieceArea, type Element } from '../takeoff';
import {
  accept,
  quantity,
  type Fraction,
  type Length,
  type Result,
  type UnitSystem,
  type Volume,
} from '../units';
import { pieceOf } from './pieces';
import { planPasses, type PassPlan } from './plan';
import type { Direction, PassSettings } from './settings';
import { strokesFor, type Hand } from './strokes';

/** A piece of a surface with its passes, and the simulation that shows what they lay. */
export interface WallFilm {
  /** The piece as the simulation sees it: a margin left and below of it. */
  readonly piece: Piece;
  readonly plan: PassPlan;
  readonly job: SimulationJob;
}

/** How far a usual hand strays: lap as a share of the fan, speed relative. */
export const USUAL_HAND = { lap: 0.05, speed: 0.1 } as const;

/** Least share of the wet film wanted that still counts as film. */
const LEAST = 0.8;
/** Cells a picture is worked out on, and the finest cell, m. */
const CELLS = 90_000;
const FINEST = 0.005;
/** Wall shown around the piece, m. */
const MARGIN = 0.25;

/** Passes that a plan of one piece stands for: every coat of the whole surface over one pass of the piece. */
export function repeatsOf(request: SetupRequest, card: SetupCard): number {
  const main = mainPiece(request.geometry);
  const piece = pieceArea(main) - openingsArea(main);
  return (card.coats * card.passesPerCoat * card.area.net) / piece;
}

/**
 * Paint of all coats of a surface that misses it: as its main piece is sprayed. It is worked out where it is asked for, since it takes
 * a plan of passes.
 */
export function paintMissing(
  request: SetupRequest,
  card: SetupCard,
  system: UnitSystem = 'metric',
): Result<Volume> {
  const film = wallFilm(request, card, undefined, system);
  return film.ok ? accept(quantity(film.value.plan.overspray.value * repeatsOf(request, card))) : film;
}

function directionFor(element: Element, width: number, height: number): Direction {
  if (element === 'ceiling') return { kind: 'across sight', viewpoint: { x: -1, y: MARGIN + height / 2 } };
  if (element === 'wall' || element === 'lapped-fence' || element === 'open-fence') return { kind: 'across' };
  return { kind: height > width ? 'up and down' : 'across' };
}

const moved = (polygon: Polygon, by: number) => polygon.map(({ x, y }) => ({ x: x + by, y: y + by }));

/**
 * The passes of one piece of a surface by its set-up card, and the simulation of the film they lay.
 * @param seed a hand that strays as usual, the same for the same seed; missing: a steady hand
 */
export function wallFilm(
  request: SetupRequest,
  card: SetupCard,
  seed?: number,
  system: UnitSystem = 'metric',
): Result<WallFilm> {
  const main = mainPiece(request.geometry);
  const shape = pieceOf(main);
  const piece: Piece = {
    outline: moved(shape.outline, MARGIN),
    openings: shape.openings.map((one) => moved(one, MARGIN)),
  };
  const { tip, gunPressure, evenFanPressure } = card.tip.candidate;
  const settings: PassSettings = {
    fanWidth: quantity<Length>(card.fan.value),
    distance: quantity<Length>(card.distance.value),
    overlap: quantity<Fraction>(card.overlap.value),
    gunSpeed: quantity(card.gunSpeed.value),
    flow: { label: 'Flow', source: 'Set-up card', ...card.flow },
    transfer: transferInput(request),
  };
  const { width, height } = extentOf(main);
  const direction = directionFor(request.element, width, height);
  const plan = planPasses(piece, settings, { direction, edgesFirst: false }, system);
  if (!plan.ok) return plan;
  const hand: Hand | undefined = seed === undefined ? undefined : { ...USUAL_HAND, random: seeded(seed) };
  const [wide, high] = [width + 2 * MARGIN, height + 2 * MARGIN];
  const wet = card.wetFilm.value;
  return accept({
    piece,
    plan: plan.value,
    job: {
      width: quantity(wide),
      height: quantity(high),
      cell: quantity(Math.max(FINEST, Math.sqrt((wide * high) / CELLS))),
      fan: {
        family: tip.family,
        fan: tip.fan,
        flow: quantity(card.flow.value),
        transferEfficiency: quantity(settings.transfer.value),
        pressureRatio: gunPressure / evenFanPressure,
      },
      strokes: strokesFor(plan.value.passes, settings, hand),
      limits: {
        minimum: quantity(LEAST * wet),
        sagLimit: quantity(Math.max(card.sagLimit.value, LEAST * wet)),
      },
      piece,
    },
  });
}
