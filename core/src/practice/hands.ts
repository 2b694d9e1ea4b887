import { ARM, strokesFor } from '../passes';
import { normal, type Random } from '../random';
import type { Stroke } from '../simulation';
import { USUAL_HAND } from '../wallFilm';
import { oneAfterAnother, type Recording } from './recording';
import type { PracticeTarget } from './target';

/** What is wrong with a hand; 0, or 1 where it is a factor, is right. */
export interface Faults {
  /** Gun speed over the planned one. */
  readonly speed: number;
  /** Space from pass to pass over the planned one. */
  readonly spacing: number;
  /** Gun distance over the planned one. */
  readonly distance: number;
  /** How far inside the ends of the piece the trigger is pulled and let go, m. */
  readonly trigger: number;
  /** How far the wrist swings from the middle of a stroke to its ends, radians. */
  readonly swing: number;
  /** How a hand strays besides. */
  readonly lap: number;
  readonly unsteady: number;
}

export const NO_FAULTS: Faults = {
  speed: 1,
  spacing: 1,
  distance: 1,
  trigger: 0,
  swing: 0,
  lap: 0,
  unsteady: 0,
};

/** Parts a stroke is cut into where the wrist swings. */
const PARTS = 12;

function swung(stroke: Stroke, swing: number): Stroke {
  const [first, last] = [stroke.points[0], stroke.points.at(-1)];
  if (swing === 0 || !first || !last) return stroke;
  const length = Math.hypot(last.x - first.x, last.y - first.y);
  // A way in even parts, at the times the gun passes them.
  const along = stroke.points.map((point) => Math.hypot(point.x - first.x, point.y - first.y));
  const points = Array.from({ length: PARTS + 1 }, (_unused, part) => {
    const way = (part / PARTS) * length;
    const next = Math.max(
      1,
      along.findIndex((one) => one >= way - 1e-12),
    );
    const [a, b] = [stroke.points[next - 1] ?? first, stroke.points[next] ?? last];
    const [u, v] = [along[next - 1] ?? 0, along[next] ?? length];
    const share = v > u ? (way - u) / (v - u) : 0;
    return {
      ...first,
      x: a.x + share * (b.x - a.x),
      y: a.y + share * (b.y - a.y),
      time: a.time + share * (b.time - a.time),
      // Through the sheet of the fan, as the arm swings along the way.
      tiltThrough: swing * ((2 * part) / PARTS - 1),
    };
  });
  return { ...stroke, points };
}

/** The planned passes sprayed by a hand with faults. */
export function sprayedBy(target: PracticeTarget, faults: Faults, random: Random): Recording {
  const { wall, settings } = target;
  const places = wall.plan.passes;
  const first = places[0];
  const passes = places.map((pass) => {
    const { from, to, open } = pass;
    const level = Math.abs(to.x - from.x) >= Math.abs(to.y - from.y);
    const start = first ? (level ? first.from.y : first.from.x) : 0;
    const spread = (value: number) => start + (value - start) * faults.spacing;
    const at = <P extends { readonly x: number; readonly y: number }>(place: P) =>
      level ? { x: place.x, y: spread(place.y) } : { x: spread(place.x), y: place.y };
    const late = (part: { readonly from: number; readonly to: number }) => ({
      from: part.from + faults.trigger + (faults.trigger > 0 ? ARM.lead : 0),
      to: part.to - faults.trigger - (faults.trigger > 0 ? ARM.lead : 0),
    });
    return {
      ...pass,
      from: at(from),
      to: at(to),
      open: open.map(late).filter((part) => part.to > part.from),
    };
  });
  const hand = { lap: faults.lap, speed: faults.unsteady, random };
  const strokes = strokesFor(
    passes,
    {
      ...settings,
      gunSpeed: (settings.gunSpeed * faults.speed) as typeof settings.gunSpeed,
      distance: (settings.distance * faults.distance) as typeof settings.distance,
    },
    hand,
  );
  return {
    strokes: oneAfterAnother(
      strokes.filter(({ triggers }) => triggers.length > 0).map((stroke) => swung(stroke, faults.swing)),
      ARM.moving,
    ),
  };
}

/** A usual hand on a piece: what one's own is held against. */
export const usualHand = (target: PracticeTarget, random: Random): Recording =>
  sprayedBy(target, { ...NO_FAULTS, lap: USUAL_HAND.lap, unsteady: USUAL_HAND.speed }, random);

/** A hand as a learner may have it: anything a little wrong, and one or two things more. */
export function learnersHand(target: PracticeTarget, random: Random): Recording {
  const chance = (share: number) => random() < share;
  const factor = (spread: number) => Math.exp(normal(random) * spread);
  return sprayedBy(
    target,
    {
      speed: chance(0.5) ? factor(0.4) : factor(0.05),
      spacing: chance(0.4) ? Math.min(1.5, 1 + 0.4 * random()) : 1,
      distance: chance(0.4) ? Math.min(2, factor(0.3)) : 1,
      trigger: chance(0.4) ? 0.15 * random() : 0,
      swing: chance(0.4) ? 0.6 * random() : 0,
      lap: USUAL_HAND.lap,
      unsteady: USUAL_HAND.speed,
    },
    random,
  );
}
