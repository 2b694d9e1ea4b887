import { numberText } from '@fine-spray/core/units';
import { REACH } from '@fine-spray/core/shape';
import { z } from 'zod';

/** Client-made UUID (version 7 by our clients; any version is accepted), in lower case however it was written. */
export const id = z.uuid({ error: 'This is not an id.' }).toLowerCase();

/** Row version: 0 for a row that is not stored yet. */
export const version = z.int().min(0).max(2_147_483_647);

/** Control characters other than tab and line breaks, and halves of a character that stand alone. */
const CONTROL = /(?![\t\n\r])[\p{Cc}\p{Cs}]/u;

/** Whether a text has at most so many characters as people count them: an emoji is one. */
function atMost(value: string, max: number): boolean {
  // Never more characters than code units: a short text need not be counted.
  return value.length <= max || (value.length <= 2 * max && Array.from(value).length <= max);
}

/** One line of text for people: trimmed, no control characters, up to `max` characters as people count them. */
export function line(label: string, max: number, least = 1) {
  return text(label, max, least).refine((value) => !/[\r\n]/.test(value), {
    error: `${label} must be on one line.`,
  });
}

/** Text of several lines. */
export function text(label: string, max: number, least = 0) {
  return (
    z
      .string({ error: `${label} is missing.` })
      .trim()
      .refine((value) => value.length >= least, { error: `${label} is missing.` })
      .refine((value) => atMost(value, max), {
        error: `${label} is too long: ${numberText(max)} characters at most.`,
      })
      .refine((value) => !CONTROL.test(value), { error: `${label} has characters that cannot be shown.` })
      // Said in the API's document: what is refined is not seen there.
      .meta({ minLength: least, maxLength: max })
  );
}

/** A finite number within limits, with the sentence to show when it is not. */
export function numberWithin(label: string, min: number, max: number, sentence: string) {
  return z
    .number({
      error: ({ input }) => (input === undefined ? `${label} is missing.` : `${label} is not a number.`),
    })
    .min(min, { error: sentence })
    .max(max, { error: sentence });
}

interface Limits {
  readonly min: number;
  readonly max: number;
}

/**
 * A number whose limits the core checks, with the user's units in its sentence: here they are said in the API's document
 * only.
 */
export function checkedByCore(label: string, { min, max }: Limits) {
  return z.number({ error: `${label} is not a number.` }).meta({ minimum: min, maximum: max });
}

/** A coordinate on a house, m. */
export function coordinate(label: string) {
  const sentence = `${label} is no place on a house: within ${REACH} m.`;
  return numberWithin(label, -REACH, REACH, sentence);
}

/** One of a list, with a sentence that names the list. */
export function oneOf<const T extends readonly [string, ...string[]]>(label: string, values: T) {
  return z.enum(values, { error: `${label} must be one of: ${values.join(', ')}.` });
}

/** What the server adds to the content of every stored row. */
export const stored = {
  id,
  version: version.min(1),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
};
