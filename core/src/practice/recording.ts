import { checkStroke, type SimulationJob, type Stroke } from '../simulation';
import { numberText, accept, refuse, type Result } from '../units';
import type { PracticeTarget } from './target';

/**
 * What somebody sprayed: strokes one after the other, each from where the gun was taken to the trigger's closing. Their times are seconds
 * from the start of all of it, so that a break between two of them shows.
 */
export interface Recording {
  readonly strokes: readonly Stroke[];
}

/** As much as one piece can want, and no device is filled by. */
export const RECORDING_LIMITS = { strokes: 2000, points: 60_000, seconds: 24 * 3600 } as const;

/** Seconds from the first move to the last. */
export function lastsOf({ strokes }: Recording): number {
  const first = strokes[0]?.points[0]?.time ?? 0;
  const last = strokes.at(-1)?.points.at(-1)?.time ?? first;
  return last - first;
}

/** A recording that can be laid: refuses more than its limits, times that run backwards from stroke to stroke, and strokes that cannot be. */
export function checkRecording({ strokes }: Recording): Result<Recording> {
  const points = strokes.reduce((sum, stroke) => sum + stroke.points.length, 0);
  if (strokes.length > RECORDING_LIMITS.strokes || points > RECORDING_LIMITS.points)
    return refuse(
      'recording.long',
      'strokes',
      `A recording has ${numberText(RECORDING_LIMITS.strokes)} strokes and ${numberText(RECORDING_LIMITS.points)} places of the gun at most.`,
    );
  let until = -Infinity;
  for (const [index, stroke] of strokes.entries()) {
    const checked = checkStroke(stroke, `strokes.${index}`);
    if (!checked.ok) return checked;
    const start = stroke.points[0]?.time ?? 0;
    const end = stroke.points.at(-1)?.time ?? 0;
    if (start < until || end > RECORDING_LIMITS.seconds || start < 0)
      return refuse(
        'recording.time',
        `strokes.${index}`,
        'A stroke begins after the one before, and all of them within a day.',
      );
    if (stroke.triggers.some(({ open, close }) => open < start - 1e-9 || close > end + 1e-9))
      return refuse(
        'recording.trigger',
        `strokes.${index}`,
        'The trigger is pulled while the gun is there, not before or after.',
      );
    until = end;
  }
  return accept({ strokes });
}

/** The simulation of what was sprayed on a piece. */
export const jobOf = ({ wall }: PracticeTarget, { strokes }: Recording): SimulationJob => ({
  ...wall.job,
  strokes,
});

/** The planned passes as somebody would have sprayed them: each stroke after the one before, the gun moved between them. */
export function plannedRecording({ wall }: PracticeTarget, moving: number): Recording {
  return { strokes: oneAfterAnother(wall.job.strokes, moving) };
}

/** A stroke so many seconds later. */
export const later = ({ points, triggers }: Stroke, by: number): Stroke => ({
  points: points.map((point) => ({ ...point, time: point.time + by })),
  triggers: triggers.map(({ open, close }) => ({ open: open + by, close: close + by })),
});

/** Strokes that each count from their own start, put one after the other with the gun moved between them at a speed, m/s. */
export function oneAfterAnother(strokes: readonly Stroke[], moving: number): readonly Stroke[] {
  let clock = 0;
  let at: { x: number; y: number } | undefined;
  return strokes.map((stroke) => {
    const [first] = stroke.points;
    const last = stroke.points.at(-1);
    if (!first || !last) return stroke;
    if (at) clock += Math.hypot(first.x - at.x, first.y - at.y) / moving;
    const by = clock - first.time;
    clock += last.time - first.time;
    at = last;
    return later(stroke, by);
  });
}
