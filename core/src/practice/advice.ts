import { boxOf } from '../shape';
import type { Stroke, TimedPoint } from '../simulation';
import { accept, type Result } from '../units';
import { ARM } from '../passes';
import { later, type Recording } from './recording';
import { scored, type Score, type Yardstick } from './score';
import type { PracticeTarget } from './target';

/** What one person can change about their hand, each by itself. */
export const CORRECTIONS = ['speed', 'spacing', 'distance', 'trigger', 'tilt'] as const;
export type Correction = (typeof CORRECTIONS)[number];

/** What a correction would have made of a film. */
export interface Corrected {
  readonly correction: Correction;
  readonly points: number;
}

export interface Advice {
  readonly score: Score;
  /** Every correction with what it would come to, the best first. */
  readonly corrected: readonly Corrected[];
  /** The one thing to change first; nothing where none would raise the score by a point. */
  readonly first: Corrected | undefined;
}

/** Less than this is no advice, points. */
const WORTH_SAYING = 1;

/** Whether a stroke goes more across than up. */
function isLevel({ points }: Stroke): boolean {
  const [a, b] = [points[0], points.at(-1)];
  return !a || !b || Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);
}

/** Where a stroke lies across its way, by the mean of its places while the trigger was open. */
function placeOf(stroke: Stroke): number {
  const [trigger] = stroke.triggers;
  const level = isLevel(stroke);
  const open = stroke.points.filter(
    ({ time }) => !trigger || (time >= trigger.open && time <= trigger.close),
  );
  const of = open.length > 0 ? open : stroke.points;
  return of.reduce((sum, { x, y }) => sum + (level ? y : x), 0) / Math.max(1, of.length);
}

/** Way of the gun while the trigger is open, m, and how long that takes. */
export function openWay({ points, triggers }: Stroke): { way: number; time: number } {
  const [trigger] = triggers;
  let way = 0;
  for (let index = 1; index < points.length; index += 1) {
    const [a, b] = [points[index - 1], points[index]];
    if (!a || !b || !trigger || b.time <= trigger.open || a.time >= trigger.close) continue;
    way += Math.hypot(b.x - a.x, b.y - a.y);
  }
  return { way, time: trigger ? trigger.close - trigger.open : 0 };
}

/** Strokes one after the other again, with the breaks between them that there were. */
function inTurn(before: readonly Stroke[], after: readonly Stroke[]): readonly Stroke[] {
  let clock = 0;
  return after.map((stroke, index) => {
    const old = before[index];
    const earlier = before[index - 1];
    const start = stroke.points[0]?.time ?? 0;
    const gap = old && earlier ? (old.points[0]?.time ?? 0) - (earlier.points.at(-1)?.time ?? 0) : 0;
    clock += Math.max(0, gap);
    const by = clock - start;
    clock += (stroke.points.at(-1)?.time ?? start) - start;
    return later(stroke, by);
  });
}

/** Each stroke as even as could be: at the planned speed all along its way. */
function atSpeed(strokes: readonly Stroke[], speed: number): readonly Stroke[] {
  const even = strokes.map((stroke): Stroke => {
    const { way } = openWay(stroke);
    if (way <= 0) return stroke;
    let time = 0;
    let before: TimedPoint | undefined;
    const points = stroke.points.map((point) => {
      if (before) time += Math.hypot(point.x - before.x, point.y - before.y) / speed;
      before = point;
      return { ...point, time };
    });
    // A trigger is pulled at a place: it is at the time the gun passes that now.
    const at = (old: number) => {
      const next = stroke.points.findIndex((point) => point.time >= old);
      const [a, b] = [stroke.points[next - 1], stroke.points[next]];
      const [from, to] = [points[next - 1], points[next]];
      if (!to) return time;
      if (!a || !b || !from || b.time <= a.time) return to.time;
      return from.time + ((old - a.time) / (b.time - a.time)) * (to.time - from.time);
    };
    return {
      points,
      triggers: stroke.triggers.map(({ open, close }) => ({ open: at(open), close: at(close) })),
    };
  });
  return inTurn(strokes, even);
}

/** Strokes laid apart as planned: as many as there are, from the first planned place to the last. */
function spaced({ wall }: PracticeTarget, strokes: readonly Stroke[]): readonly Stroke[] {
  const move = (level: boolean) => {
    const own = strokes.filter((stroke) => isLevel(stroke) === level);
    const planned = wall.job.strokes.filter((stroke) => isLevel(stroke) === level).map(placeOf);
    if (own.length === 0 || planned.length === 0) return new Map<Stroke, number>();
    planned.sort((a, b) => a - b);
    const rest = planned.length - 1;
    const sorted = own
      .map((stroke) => ({ stroke, place: placeOf(stroke) }))
      .sort((a, b) => a.place - b.place);
    return new Map(
      sorted.map(({ stroke, place }, index) => {
        const at = sorted.length > 1 ? (index / (sorted.length - 1)) * rest : rest / 2;
        const low = planned[Math.floor(at)] as number;
        const high = planned[Math.ceil(at)] as number;
        return [stroke, low + (at - Math.floor(at)) * (high - low) - place];
      }),
    );
  };
  const [level, upright] = [move(true), move(false)];
  return strokes.map((stroke) => {
    const up = level.get(stroke) ?? 0;
    const aside = upright.get(stroke) ?? 0;
    return { ...stroke, points: stroke.points.map((one) => ({ ...one, x: one.x + aside, y: one.y + up })) };
  });
}

/** The trigger opens and closes off the piece: as far beyond its ends as planned, where the gun went that far; at its ends else. */
function triggered({ wall }: PracticeTarget, strokes: readonly Stroke[]): readonly Stroke[] {
  const { left, right, low, high } = boxOf(wall.piece.outline);
  return strokes.map((stroke): Stroke => {
    const level = isLevel(stroke);
    const [from, to] = level ? [left - ARM.lead, right + ARM.lead] : [low - ARM.lead, high + ARM.lead];
    const along = ({ x, y }: TimedPoint) => (level ? x : y);
    const first = stroke.points[0];
    const last = stroke.points.at(-1);
    if (!first || !last) return stroke;
    const rising = along(last) >= along(first);
    // The way is lengthened at its own speed where it ended on the piece.
    const [start, end] = rising ? [from, to] : [to, from];
    const { way, time } = openWay(stroke);
    const speed = way > 0 && time > 0 ? way / time : 0.5;
    const beyond = (point: TimedPoint, place: number, sign: number): TimedPoint => ({
      ...point,
      ...(level ? { x: place } : { y: place }),
      time: point.time + (sign * Math.abs(place - along(point))) / speed,
    });
    const short = (place: number, point: TimedPoint) =>
      rising
        ? place === start
          ? along(point) > place
          : along(point) < place
        : place === start
          ? along(point) < place
          : along(point) > place;
    const points = [
      ...(short(start, first) ? [beyond(first, start, -1)] : []),
      ...stroke.points,
      ...(short(end, last) ? [beyond(last, end, 1)] : []),
    ];
    const passes = (place: number) => {
      for (let index = 1; index < points.length; index += 1) {
        const [a, b] = [points[index - 1], points[index]];
        if (!a || !b) continue;
        const [u, v] = [along(a), along(b)];
        if ((u - place) * (v - place) <= 0 && u !== v)
          return a.time + ((place - u) / (v - u)) * (b.time - a.time);
      }
      return undefined;
    };
    const open = passes(start) ?? points[0]?.time ?? 0;
    const close = passes(end) ?? points.at(-1)?.time ?? 0;
    return close > open ? { points, triggers: [{ open, close }] } : stroke;
  });
}

const atDistance = (strokes: readonly Stroke[], distance: number): readonly Stroke[] =>
  strokes.map((stroke) => ({ ...stroke, points: stroke.points.map((point) => ({ ...point, distance })) }));

const square = (strokes: readonly Stroke[]): readonly Stroke[] =>
  strokes.map((stroke) => ({
    ...stroke,
    points: stroke.points.map((point) => ({ ...point, tiltAcross: 0, tiltThrough: 0 })),
  }));

/** A recording with one thing of the hand put right. */
export function withCorrection(
  target: PracticeTarget,
  { strokes }: Recording,
  correction: Correction,
): Recording {
  const { settings } = target;
  switch (correction) {
    case 'speed':
      return { strokes: atSpeed(strokes, settings.gunSpeed) };
    case 'spacing':
      return { strokes: spaced(target, strokes) };
    case 'distance':
      return { strokes: atDistance(strokes, settings.distance) };
    case 'trigger':
      return { strokes: inTurn(strokes, triggered(target, strokes)) };
    case 'tilt':
      return { strokes: square(strokes) };
  }
}

/**
 * What to change first: each single correction is laid anew by the simulation, and the one that would raise the score most is said. Where none
 * raises it by a point, none is.
 */
export function advise(target: PracticeTarget, recording: Recording, yardstick: Yardstick): Result<Advice> {
  const score = scored(target, recording, yardstick);
  if (!score.ok) return score;
  const corrected = CORRECTIONS.flatMap((correction): Corrected[] => {
    const again = scored(target, withCorrection(target, recording, correction), yardstick);
    return again.ok ? [{ correction, points: again.value.points }] : [];
  }).sort((a, b) => b.points - a.points);
  const [best] = corrected;
  const first = best && best.points >= score.value.points + WORTH_SAYING ? best : undefined;
  return accept({ score: score.value, corrected, first });
}
