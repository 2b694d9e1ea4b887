import { ELEMENTS, SIDES, SURFACE_KIND_IDS } from '@fine-spray/core/takeoff';
import { LAYER_ROLES, UNDER_LIMIT } from '@fine-spray/core/system';
import { z } from 'zod';
import { tipChoice } from './kit';
import { id, line, numberWithin, oneOf, stored } from './primitives';

export const coats = numberWithin('Coats', 1, 9, 'Coats must be a whole number from 1 to 9.').int({
  error: 'Coats must be a whole number from 1 to 9.',
});

/** Thinner per volume of paint. */
export const thinning = numberWithin('Thinning', 0, 0.5, 'Thinning must be between 0 and 50 %.');

/** A layer of a coating system; spots cover a share of the surface, every other layer all of it. */
export const systemLayer = z
  .object({
    role: oneOf('Layer', LAYER_ROLES),
    coatingId: id,
    coats,
    thinning,
    share: numberWithin('Share', 0.01, 1, 'Spots cover between 1 and 100 % of the surface.'),
    /** A tip chosen by hand for this layer; the best one where there is none. */
    tip: tipChoice.nullable().optional(),
  })
  .strict()
  .superRefine(({ role, share }, context) => {
    if (role !== 'spot prime' && share !== 1) {
      context.addIssue({
        code: 'custom',
        path: ['share'],
        message: 'Only spots cover a part of the surface.',
      });
    }
  });

/** Layers under the finish, from the surface outwards. */
export const underLayers = z
  .array(systemLayer)
  .max(UNDER_LIMIT, { error: `${UNDER_LIMIT} layers under the finish at most.` })
  .superRefine((layers, context) => {
    layers.forEach(({ role }, index) => {
      if (role === 'finish') {
        context.addIssue({
          code: 'custom',
          path: [index, 'role'],
          message: 'Under the finish there are primers and spots only.',
        });
      }
    });
  });

/** The layers of a whole system, the finish last and only once. */
export const systemLayers = z
  .array(systemLayer)
  .min(1, { error: 'A system has at least a finish.' })
  .max(UNDER_LIMIT + 1)
  .superRefine((layers, context) => {
    layers.forEach(({ role }, index) => {
      if ((role === 'finish') !== (index === layers.length - 1)) {
        context.addIssue({
          code: 'custom',
          path: [index, 'role'],
          message: 'The finish comes last, and only once.',
        });
      }
    });
  });

/** A coating system the company keeps as its own: what it is for, and its layers with the finish last. */
export const systemFields = z
  .object({
    name: line('Name of the system', 120),
    elements: z
      .array(oneOf('Piece', ELEMENTS))
      .min(1, { error: 'Say for which pieces it is.' })
      .max(ELEMENTS.length),
    sides: z.array(oneOf('Side', SIDES)).min(1, { error: 'Say whether it is for inside or outside.' }).max(2),
    /** Surfaces it is for; none: any. */
    kinds: z.array(oneOf('Surface', SURFACE_KIND_IDS)).max(SURFACE_KIND_IDS.length),
    layers: systemLayers,
  })
  .strict();

export const system = systemFields.safeExtend(stored).meta({ id: 'System' });

export type System = z.infer<typeof system>;
export type SystemFields = z.infer<typeof systemFields>;
export type SystemLayer = z.infer<typeof systemLayer>;
