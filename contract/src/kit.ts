import {
  ARCHETYPE_IDS,
  COATING_PROPERTY_NAMES,
  checkCoating,
  type CoatingProperty,
} from '@fine-spray/core/coating';
import { SPRAYER_CLASSES } from '@fine-spray/core/line';
import { TIP_FAMILIES, readTip } from '@fine-spray/core/tip';
import type { Refusal } from '@fine-spray/core/units';
import { z } from 'zod';
import { companyBook, price } from './book';
import { line, numberWithin, oneOf, stored, text } from './primitives';

/** Puts a core refusal on the field it names. */
export function refusalIssue(context: z.RefinementCtx, refusal: Refusal): void {
  context.addIssue({
    code: 'custom',
    path: refusal.field.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part)),
    message: refusal.message,
    params: { code: refusal.code },
  });
}

export const companyFields = z
  .object({
    name: line('Company name', 120),
    /** What it calculates with; null while it has put nothing in. */
    book: companyBook.nullable(),
  })
  .strict();

export const coatingOverride = z
  .object({
    value: z.number({ error: 'This value is not a number.' }),
    basis: oneOf('Basis', ['measured', 'history', 'data-sheet']),
    source: line('Source', 200),
  })
  .strict();

const overrideShape = Object.fromEntries(
  COATING_PROPERTY_NAMES.map((name) => [name, coatingOverride.optional()]),
) as Record<CoatingProperty, z.ZodOptional<typeof coatingOverride>>;

export const coatingFields = z
  .object({
    name: line('Coating name', 120),
    archetype: oneOf('Kind of coating', ARCHETYPE_IDS),
    overrides: z.object(overrideShape).strict(),
    /** Containers it is sold in: size in m³ and price, null while nobody has put one in. */
    containers: z
      .array(
        z
          .object({
            size: numberWithin('Container size', 1e-4, 1, 'A container holds between 0.1 and 1,000 litres.'),
            price: price('Price'),
          })
          .strict(),
      )
      .min(1, { error: 'Give at least one container size.' })
      .max(8, { error: 'Eight container sizes at most.' }),
    note: text('Note', 2000),
  })
  .strict()
  .superRefine((value, context) => {
    const checked = checkCoating(value);
    if (!checked.ok) refusalIssue(context, checked);
  });

export const sprayerFields = z
  .object({
    name: line('Sprayer name', 120),
    sprayerClass: oneOf('Class', SPRAYER_CLASSES),
    /** Pa */
    maxPressure: numberWithin(
      'Highest pressure',
      1e6,
      5e7,
      'Highest pressure must be between 10 and 500 bar.',
    ),
    /** m³/s */
    maxFlow: numberWithin('Highest flow', 1e-6, 1e-3, 'Highest flow must be between 0.06 and 60 L/min.'),
    largestOrificeThou: z
      .int({ error: 'Largest orifice must be a whole number.' })
      .min(7, { error: 'Largest orifice must be between 7 and 55 thou.' })
      .max(55, { error: 'Largest orifice must be between 7 and 55 thou.' }),
    waterOnly: z.boolean(),
  })
  .strict();

export const hoseFields = z
  .object({
    name: line('Hose name', 120),
    /** m */
    length: numberWithin('Length', 0.3, 150, 'Length must be between 0.3 and 150 m.'),
    /** Inside diameter, m */
    bore: numberWithin('Inside diameter', 0.003, 0.026, 'Inside diameter must be between 1/8 and 1 in.'),
  })
  .strict();

/** A tip by family and code; checked against what the family is made in. */
export const tipChoice = z
  .object({ family: oneOf('Family', TIP_FAMILIES), code: z.string({ error: 'Tip code is missing.' }) })
  .strict()
  .superRefine(({ code, family }, context) => {
    const tip = readTip(code, family, 'code');
    if (!tip.ok) refusalIssue(context, tip);
  });

export const tipFields = tipChoice.safeExtend({ note: text('Note', 500) });

export const company = companyFields.extend(stored).meta({ id: 'Company' });
export const coating = coatingFields.safeExtend(stored).meta({ id: 'Coating' });
export const sprayer = sprayerFields.extend(stored).meta({ id: 'Sprayer' });
export const hose = hoseFields.extend(stored).meta({ id: 'Hose' });
export const tip = tipFields.safeExtend(stored).meta({ id: 'Tip' });

export type Company = z.infer<typeof company>;
export type Coating = z.infer<typeof coating>;
export type CoatingFields = z.infer<typeof coatingFields>;
export type Sprayer = z.infer<typeof sprayer>;
export type SprayerFields = z.infer<typeof sprayerFields>;
export type Hose = z.infer<typeof hose>;
export type HoseFields = z.infer<typeof hoseFields>;
export type Tip = z.infer<typeof tip>;
export type TipFields = z.infer<typeof tipFields>;
export type TipChoice = z.infer<typeof tipChoice>;
