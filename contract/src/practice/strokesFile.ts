import { RECORDING_LIMITS, checkRecording, type Recording } from '@fine-spray/core/practice';
import { refuse, type Result } from '@fine-spray/core/units';
import { z } from 'zod';
import { line } from '../primitives';
import { packed, pointOf, timeSteps } from './steps';

/** What a file of strokes calls itself. */
export const STROKES_FORMAT = 'fine-spray-strokes';
export const STROKES_VERSION = 1;

const BROKEN = { error: 'A stroke of this file is broken.' };
const whole = z.int(BROKEN).min(-1e8, BROKEN).max(1e8, BROKEN);
/** time ms, x, y, distance in tenths of a millimetre, tilt across, tilt through, direction of the fan in hundredths of a degree. */
const point = z.tuple([whole, whole, whole, whole, whole, whole, whole], BROKEN);

/** Strokes as they are kept and shared: whole numbers, so that a file is the film to the last digit. */
export const strokesFile = z.strictObject(
  {
    format: z.literal(STROKES_FORMAT, { error: 'This is no file of strokes.' }),
    version: z.literal(STROKES_VERSION, {
      error: 'This file is of a newer program. Bring this one up to date.',
    }),
    /** What was sprayed: one of the pieces to practise on, or a surface of a job by its id. */
    piece: line('Piece', 80),
    /** When, as the device had it. */
    at: z.iso.datetime({ error: 'Time is missing.' }),
    strokes: z
      .array(
        z.strictObject(
          {
            /** Trigger pulled and let go, ms. */
            open: whole,
            close: whole,
            points: z.array(point, BROKEN).min(1, BROKEN).max(RECORDING_LIMITS.points, BROKEN),
          },
          BROKEN,
        ),
        BROKEN,
      )
      .max(RECORDING_LIMITS.strokes, BROKEN),
  },
  { error: 'This is no file of strokes.' },
);
export type StrokesFile = z.infer<typeof strokesFile>;

/** Writes what was sprayed as a file. */
export function writeStrokes({ strokes }: Recording, piece: string, at: string): StrokesFile {
  return {
    format: STROKES_FORMAT,
    version: STROKES_VERSION,
    piece,
    at,
    strokes: strokes.map(({ points, triggers: [trigger] }) => ({
      open: timeSteps(trigger?.open ?? 0),
      close: timeSteps(trigger?.close ?? 0),
      points: points.map(packed),
    })),
  };
}

/** What a file of strokes says. Refuses one that is none, and strokes that nobody can have sprayed. */
export function readStrokes(
  stored: unknown,
): Result<{ readonly recording: Recording; readonly piece: string; readonly at: string }> {
  const read = strokesFile.safeParse(stored);
  if (!read.success)
    return refuse('strokes.file', 'file', read.error.issues[0]?.message ?? 'This is no file of strokes.');
  const { piece, at, strokes } = read.data;
  const checked = checkRecording({
    strokes: strokes.map(({ open, close, points }) => ({
      points: points.map(pointOf),
      triggers: [{ open: open / 1000, close: close / 1000 }],
    })),
  });
  return checked.ok ? { ok: true, value: { recording: checked.value, piece, at } } : checked;
}
