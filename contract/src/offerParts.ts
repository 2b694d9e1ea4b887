import { z } from 'zod';
import { line, numberWithin, text } from './primitives';

/** Days an offer may be valid. */
export const VALID_DAYS = { min: 1, max: 365 } as const;

/** Words that an offer has and a company begins one with. */
export const offerWords = {
  intro: text('Words before the prices', 2000),
  terms: text('Terms', 4000),
  validDays: numberWithin(
    'Days it is valid',
    VALID_DAYS.min,
    VALID_DAYS.max,
    'An offer is valid for 1 to 365 days.',
  ).int({ error: 'Days come in whole numbers.' }),
};

/** A part of the terms under a title of its own. */
export const textBlocks = z
  .array(z.object({ title: line('Title', 120), text: text('Text', 4000) }).strict())
  .max(20, { error: 'Twenty blocks of text at most.' });

/** Shares that are added up may be off by the dust of their digits. */
const DUST = 1e-6;

/** When what part of the total is due: none, or all of it together. */
export const paymentSteps = z
  .array(
    z
      .object({
        name: line('When it is due', 120),
        share: numberWithin('Share', 0.01, 1, 'A step is between 1 and 100 % of the total.'),
      })
      .strict(),
  )
  .max(12, { error: 'Twelve steps of payment at most.' })
  .superRefine((steps, context) => {
    const sum = steps.reduce((total, { share }) => total + share, 0);
    if (steps.length > 0 && Math.abs(sum - 1) > DUST)
      context.addIssue({
        code: 'custom',
        path: [steps.length - 1, 'share'],
        message: `The steps come to ${Number((sum * 100).toFixed(2))} %: together they are 100 %.`,
      });
  });
