import {
  CONDITIONS,
  ELEMENTS,
  OPENING_KINDS,
  SIDES,
  SURFACE_KIND_IDS,
  WINDS,
  measure,
} from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { refusalIssue, tipChoice } from './kit';
import { id, line, numberWithin, oneOf, stored, text } from './primitives';

export const JOB_STATUSES = ['estimate', 'in progress', 'finished'] as const;

/** Surfaces a job holds at most: a large house several times over, and a list that stays quick on a phone. */
export const SURFACES_PER_JOB = 1000;

export const jobFields = z
  .object({
    name: line('Job name', 120),
    place: line('Place', 200, 0),
    note: text('Note', 4000),
    status: oneOf('Status', JOB_STATUSES),
    sprayerId: id,
    /** Hoses in series from the pump to the gun. */
    hoseIds: z.array(id).max(8, { error: 'Eight hoses in series at most.' }),
    /** Gun above pump, m. */
    lift: numberWithin(
      'Height of the gun',
      -30,
      60,
      'The gun can be between 30 m below and 60 m above the pump.',
    ),
  })
  .strict();

export const opening = z
  .object({
    id,
    kind: oneOf('Opening', OPENING_KINDS),
    width: z.number({ error: 'Width is not a number.' }),
    height: z.number({ error: 'Height is not a number.' }),
    count: z.int({ error: 'Number of openings must be a whole number.' }),
  })
  .strict();

/** The stored geometry document of a surface; lengths in metres, checked by the core's own measure. */
export const surfaceGeometry = z
  .object({
    shape: oneOf('Shape', ['rectangle', 'gable']),
    width: z.number({ error: 'Width is not a number.' }),
    height: z.number({ error: 'Height is not a number.' }),
    ridge: z.number({ error: 'Height at the ridge is not a number.' }).optional(),
    count: z.int({ error: 'Number of pieces must be a whole number.' }),
    openings: z.array(opening).max(40, { error: 'Forty groups of openings at most.' }),
  })
  .strict();

export const surfaceFields = z
  .object({
    jobId: id,
    name: line('Surface name', 120),
    room: line('Room', 120, 0),
    position: z.int().min(0).max(1_000_000),
    element: oneOf('Piece', ELEMENTS),
    side: oneOf('Side', SIDES),
    kind: oneOf('Surface', SURFACE_KIND_IDS),
    condition: oneOf('Condition', CONDITIONS),
    wind: oneOf('Wind', WINDS),
    geometry: surfaceGeometry,
    coatingId: id,
    coats: numberWithin('Coats', 1, 9, 'Coats must be a whole number from 1 to 9.').int({
      error: 'Coats must be a whole number from 1 to 9.',
    }),
    /** Thinner per volume of paint. */
    thinning: numberWithin('Thinning', 0, 0.5, 'Thinning must be between 0 and 50 %.'),
    /** A tip chosen by hand; null takes the best one. */
    tip: tipChoice.nullable(),
  })
  .strict()
  .superRefine((value, context) => {
    const area = measure(value.geometry);
    if (!area.ok) refusalIssue(context, area);
  });

export const job = jobFields.extend({ ...stored, surfaceCount: z.int() }).meta({ id: 'Job' });
export const surface = surfaceFields.safeExtend(stored).meta({ id: 'Surface' });

export type Job = z.infer<typeof job>;
export type JobFields = z.infer<typeof jobFields>;
export type Surface = z.infer<typeof surface>;
export type SurfaceFields = z.infer<typeof surfaceFields>;
export type OpeningDocument = z.infer<typeof opening>;
