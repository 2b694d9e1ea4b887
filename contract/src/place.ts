import { APART, ELEMENTS, FEATURES_LIMIT, ITEM_IDS, SIZE_LIMITS, surfacesOf } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { refusalIssue } from './kit';
import { checkedByCore, coordinate, id, line, oneOf, stored } from './primitives';
import { itemSizes } from './sizes';

const metres = (label: string) => checkedByCore(label, SIZE_LIMITS);

export const point = z.object({ x: coordinate('A corner'), y: coordinate('A corner') }).strict();

export const feature = z
  .object({
    id,
    item: oneOf('Item', ITEM_IDS),
    count: z.int({ error: 'The number must be a whole one.' }),
    sizes: itemSizes,
    wall: z.int().min(0).max(200).optional(),
    at: coordinate('Distance from the left').optional(),
    sill: coordinate('Height of the sill').optional(),
  })
  .strict();

const base = {
  features: z.array(feature).max(FEATURES_LIMIT, { error: `${FEATURES_LIMIT} kinds of things at most.` }),
  skipped: z.array(oneOf('Piece', ELEMENTS)).max(ELEMENTS.length),
  /** Walls or slopes that are surfaces of their own. */
  apart: z.array(oneOf('Piece', APART)).max(APART.length).optional(),
};

const ceiling = z.discriminatedUnion('shape', [
  z.object({ shape: z.literal('flat') }).strict(),
  z
    .object({
      shape: z.enum(['sloped', 'vaulted']),
      ridge: metres('Height at the ridge'),
      rises: z.enum(['x', 'y']),
    })
    .strict(),
]);

/** What was measured of a room, an elevation or loose pieces; lengths in metres, checked by the core's take-off. */
export const placeMeasure = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('room'),
      plan: z.array(point).min(3).max(200),
      height: metres('Height'),
      ceiling,
      ...base,
    })
    .strict(),
  z
    .object({
      kind: z.literal('elevation'),
      shape: z.enum(['rectangle', 'gable']),
      width: metres('Width'),
      height: metres('Height'),
      ridge: metres('Height at the ridge').optional(),
      ...base,
    })
    .strict(),
  z.object({ kind: z.literal('loose'), ...base }).strict(),
]);

export const placeFields = z
  .object({
    jobId: id,
    name: line('Name', 120),
    position: z.int().min(0).max(1_000_000),
    measure: placeMeasure,
  })
  .strict()
  .superRefine(({ measure }, context) => {
    const surfaces = surfacesOf(measure);
    if (!surfaces.ok) refusalIssue(context, { ...surfaces, field: `measure.${surfaces.field}` });
  });

export const place = placeFields.safeExtend(stored).meta({ id: 'Place' });

export type Place = z.infer<typeof place>;
export type PlaceFields = z.infer<typeof placeFields>;
