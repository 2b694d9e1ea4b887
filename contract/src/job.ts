import {
  AREA_LIMITS,
  CONDITIONS,
  ELEMENTS,
  FEATURES_LIMIT,
  ITEM_IDS,
  OPENING_KINDS,
  OPENING_LIMITS,
  PIECES_LIMIT,
  SIDES,
  SIZE_LIMITS,
  SURFACE_KIND_IDS,
  WINDS,
  measure,
} from '@fine-spray/core/takeoff';
import { STATES } from '@fine-spray/core/quantities';
import { SURFACE_AGES } from '@fine-spray/core/safety';
import { z } from 'zod';
import { refusalIssue, tipChoice } from './kit';
import { point } from './place';
import { itemSizes } from './sizes';
import { coats, thinning, underLayers } from './system';
import { checkedByCore, coordinate, id, line, numberWithin, oneOf, stored, text } from './primitives';

export const JOB_STATUSES = ['estimate', 'in progress', 'finished'] as const;

/** Surfaces a job holds at most: a large house several times over, and a list that stays quick on a phone. */
export const SURFACES_PER_JOB = 1000;

export const jobFields = z
  .object({
    name: line('Job name', 120),
    place: line('Place', 200, 0),
    note: text('Note', 4000),
    status: oneOf('Status', JOB_STATUSES),
    /** Of the paint that is on the house: old paint may hold lead. */
    paintAge: oneOf('Age of the paint', SURFACE_AGES).default('unknown'),
    /** Nobody lives or works in it, and nothing is in the way. */
    empty: z.boolean({ error: 'Say whether the building is empty.' }).default(false),
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
    /** How far it is from the door of a room to that of another, along floor and stairs, m. */
    ways: z
      .array(
        z
          .object({
            room: text('Room', 120, 1),
            from: text('Room', 120, 1),
            way: numberWithin('Way', 0, 100, 'The way between two doors is 0 to 100 m.'),
          })
          .strict(),
      )
      .max(200, { error: 'Two hundred ways at most.' })
      .default([]),
  })
  .strict();

const sizeOf = (label: string) => checkedByCore(label, SIZE_LIMITS);
const openingSize = (label: string) => checkedByCore(label, OPENING_LIMITS);
const pieces = z.int({ error: 'Number of pieces must be a whole number.' });

export const opening = z
  .object({
    id,
    kind: oneOf('Opening', OPENING_KINDS),
    width: openingSize('Width'),
    height: openingSize('Height'),
    count: z.int({ error: 'Number of openings must be a whole number.' }),
    at: coordinate('Distance from the left').optional(),
    sill: coordinate('Height of the sill').optional(),
  })
  .strict();

const piece = {
  name: line('Name of a piece', 120).optional(),
  count: pieces,
  openings: z.array(opening).max(FEATURES_LIMIT, { error: `${FEATURES_LIMIT} groups of openings at most.` }),
  /** Of a ceiling: from where it is seen; its passes run across that sight. */
  seenFrom: point.optional(),
};
const sheet = {
  ...piece,
  shape: oneOf('Shape', ['rectangle', 'gable']),
  width: sizeOf('Width'),
  height: sizeOf('Height'),
  ridge: sizeOf('Height at the ridge').optional(),
};
const outline = { ...piece, shape: z.literal('outline'), corners: z.array(point).max(200) };
/** A net area put instead of the measured one. */
const override = z
  .object({ net: checkedByCore('Area', AREA_LIMITS), reason: line('Reason', 200) })
  .strict()
  .optional();

/** The stored geometry document of a surface; lengths in metres, checked by the core's own measure. */
export const surfaceGeometry = z.discriminatedUnion('shape', [
  z.object({ ...sheet, override }).strict(),
  z.object({ ...outline, override }).strict(),
  z
    .object({
      shape: z.literal('pieces'),
      pieces: z
        .array(z.discriminatedUnion('shape', [z.object(sheet).strict(), z.object(outline).strict()]))
        .max(PIECES_LIMIT),
      override,
    })
    .strict(),
  z
    .object({
      shape: z.literal('item'),
      item: oneOf('Piece', ITEM_IDS),
      sizes: itemSizes,
      faces: z.union([z.literal(1), z.literal(2)]).optional(),
      count: pieces,
      override,
    })
    .strict(),
]);

export const surfaceFields = z
  .object({
    jobId: id,
    /** The place it follows from, by its kind of piece; null for a surface measured by itself. */
    placeId: id.nullable(),
    /** Which piece of its place it is, where each wall or slope is a surface of its own; empty where it is all of its kind. */
    part: text('Piece', 120).default(''),
    name: line('Surface name', 120),
    room: line('Room', 120, 0),
    position: z.int().min(0).max(1_000_000),
    element: oneOf('Piece', ELEMENTS),
    side: oneOf('Side', SIDES),
    kind: oneOf('Surface', SURFACE_KIND_IDS),
    condition: oneOf('Condition', CONDITIONS),
    /** How much there is to mend; null where nobody has said. */
    state: oneOf('State', STATES).nullable().default(null),
    wind: oneOf('Wind', WINDS),
    geometry: surfaceGeometry,
    coatingId: id,
    coats,
    thinning,
    /** What goes under the coating, from the surface outwards. */
    under: underLayers,
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
