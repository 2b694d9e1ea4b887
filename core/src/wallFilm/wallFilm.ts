import {
  checkSettings,
  orderOf,
  passesOf,
  planOf,
  strokesFor,
  type Hand,
  type PartInOrder,
  type PassPlan,
  type PassSettings,
  type PlannedPass,
} from '../passes';
import { THIN } from '../film';
import { seeded } from '../random';
import { sprayedPiece, type SetupCard, type SetupRequest } from '../setup';
import { boxOf, checkPiece, type Piece, type Point } from '../shape';
import type { SimulationJob } from '../simulation';
import { accept, quantity, type Fraction, type Length, type Result, type UnitSystem } from '../units';

/** A piece of a surface with its passes, and the simulation that shows what they lay. */
export interface WallFilm {
  /** The piece as the simulation sees it: a margin left and below of it. */
  readonly piece: Piece;
  readonly plan: PassPlan;
  /** Parts of a door or of bars, in the order they are sprayed. */
  readonly order: readonly PartInOrder[];
  readonly job: SimulationJob;
}

/** How far a usual hand strays: lap as a share of the fan, speed relative. */
export const USUAL_HAND = { lap: 0.05, speed: 0.1 } as const;

/** Cells a picture is worked out on, and the finest cell, m. */
const CELLS = 90_000;
const FINEST = 0.005;
/** Wall shown around the piece, m. */
const MARGIN = 0.25;

const moved = ({ x, y }: Point): Point => ({ x: x + MARGIN, y: y + MARGIN });
const pieceMoved = ({ outline, openings }: Piece): Piece => ({
  outline: outline.map(moved),
  openings: openings.map((opening) => opening.map(moved)),
});
const passMoved = (pass: PlannedPass): PlannedPass => ({
  ...pass,
  from: moved(pass.from),
  to: moved(pass.to),
});

/** How the gun moves by a set-up card, and what its fan lays. */
export const passSettingsOf = (card: SetupCard): PassSettings => ({
  family: card.tip.candidate.tip.family,
  fanWidth: quantity<Length>(card.fan.value),
  overlap: quantity<Fraction>(card.overlap.value),
  distance: quantity<Length>(card.distance.value),
  gunSpeed: quantity(card.gunSpeed.value),
  flow: card.pass.flow,
  air: card.pass.transfer,
});

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
  const { tip, gunPressure, evenFanPressure } = card.tip.candidate;
  const settings = passSettingsOf(card);
  const cover = passesOf(sprayedPiece(request), request.element, settings);
  const piece = pieceMoved(cover.piece);
  const checkedPiece = checkPiece(piece);
  if (!checkedPiece.ok) return checkedPiece;
  const checked = checkSettings(settings, system);
  if (!checked.ok) return checked;
  const plan = planOf({ ...cover, passes: cover.passes.map(passMoved) }, settings);
  const hand: Hand | undefined = seed === undefined ? undefined : { ...USUAL_HAND, random: seeded(seed) };
  const { right, high } = boxOf(piece.outline);
  const [wide, tall] = [right + MARGIN, high + MARGIN];
  const wet = card.wetFilm.value;
  const { texture, soaks } = card.pass.place;
  return accept({
    piece,
    plan,
    order: orderOf(request.geometry, settings),
    job: {
      width: quantity(wide),
      height: quantity(tall),
      cell: quantity(Math.max(FINEST, Math.sqrt((wide * tall) / CELLS))),
      fan: {
        family: tip.family,
        fan: tip.fan,
        flow: quantity(card.flow.value),
        transferEfficiency: quantity(settings.air.value),
        pressureRatio: gunPressure / evenFanPressure,
      },
      strokes: strokesFor(plan.passes, settings, hand),
      limits: {
        minimum: quantity(THIN * wet),
        sagLimit: quantity(Math.max(card.sagLimit.value, THIN * wet)),
      },
      ground: { trueArea: texture.value * cover.overSeen, soaks: soaks.value * cover.overSeen },
      piece,
    },
  });
}
