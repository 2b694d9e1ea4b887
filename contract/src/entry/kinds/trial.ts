import { JUDGED, JUDGED_NAMES, type Judged } from '@fine-spray/core/record';
import { ELEMENTS } from '@fine-spray/core/takeoff';
import { z } from 'zod';
import { id, line, oneOf } from '../../primitives';
import { entryKind, saysNothing } from '../kind';
import { joined } from '../say';

const step = () =>
  z
    .int({ error: 'A judgement is one of five steps.' })
    .min(1, { error: 'A judgement is one of five steps.' })
    .max(5, { error: 'A judgement is one of five steps.' });

const steps = () =>
  Object.fromEntries(JUDGED_NAMES.map((name) => [name, step().optional()])) as Record<
    Judged,
    z.ZodOptional<ReturnType<typeof step>>
  >;

/** A product as it was judged on a kind of surface: in five steps, the best is 1. */
export const trial = entryKind({
  name: 'Product judged',
  payload: () =>
    z
      .object({
        coatingId: id,
        element: oneOf('Kind of surface', ELEMENTS),
        tipId: id.nullable(),
        sprayerId: id.nullable(),
        scores: z
          .object(steps())
          .strict()
          .refine((scores) => Object.values(scores).some((one) => one !== undefined), {
            error: 'Judge one thing at least.',
          }),
        words: line('In your own words', 200, 0),
      })
      .strict(),
  words: ({ coatingId, scores, words }, { coating }) =>
    joined([
      coating(coatingId),
      ...JUDGED_NAMES.map((name) => {
        const said = scores[name];
        return said !== undefined && `${JUDGED[name].name.toLowerCase()}: ${JUDGED[name].steps[said - 1]}`;
      }),
      words,
    ]),
  core: saysNothing,
});
