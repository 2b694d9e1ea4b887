import {
  ARCHETYPE_IDS,
  COATING_PROPERTIES,
  COATING_PROPERTY_NAMES,
  CUP_IDS,
  SHEET_LIMITS,
  checkCoating,
  type CoatingProperty,
} from '@fine-spray/core/coating';
import { FITTINGS } from '@fine-spray/core/kit';
import { READOUTS, SPRAYER_CLASSES } from '@fine-spray/core/line';
import { HARDENERS, POWERS } from '@fine-spray/core/safety';
import { SEALS, TIP_FAMILIES, readTip, type Seal } from '@fine-spray/core/tip';
import type { Refusal } from '@fine-spray/core/units';
import { z } from 'zod';
import { companyBook, price } from './book';
import { checkedByCore, line, numberWithin, oneOf, stored, text } from './primitives';

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

const coatingOverride = (property: CoatingProperty) =>
  z
    .object({
      value: checkedByCore('This value', COATING_PROPERTIES[property].bounds),
      basis: oneOf('Basis', ['measured', 'history', 'data-sheet']),
      source: line('Source', 200),
    })
    .strict();

const overrideShape = Object.fromEntries(
  COATING_PROPERTY_NAMES.map((name) => [name, coatingOverride(name).optional()]),
) as Record<CoatingProperty, z.ZodOptional<ReturnType<typeof coatingOverride>>>;

const sheetRange = (low: ReturnType<typeof numberWithin>, high: ReturnType<typeof numberWithin>) =>
  z.object({ low, high }).strict();
const thou = (label: string) =>
  numberWithin(
    label,
    SHEET_LIMITS.orifice.min,
    SHEET_LIMITS.orifice.max,
    'An orifice is between 5 and 60 thou.',
  );
const sheetPressure = (label: string) =>
  numberWithin(
    label,
    SHEET_LIMITS.pressure.min,
    SHEET_LIMITS.pressure.max,
    'Pressure must be between 5 and 500 bar.',
  );
const sheetReading = numberWithin('Viscosity', 1, 50_000, 'This reading must be between 1 and 50,000.');

/** What a maker's sheet says beside the values that stand in for working defaults, as it stands there. */
export const coatingSheet = z
  .object({
    /** Theoretical, 1/m: m² over m³. */
    spreadingRate: numberWithin(
      'Spreading rate',
      SHEET_LIMITS.spreadingRate.min,
      SHEET_LIMITS.spreadingRate.max,
      'A spreading rate is between 1 and 60 m²/L.',
    ).optional(),
    viscosity: z
      .discriminatedUnion('as', [
        z.object({ as: z.literal('KU'), value: sheetReading }).strict(),
        z.object({ as: z.literal('cP'), value: sheetReading }).strict(),
        z.object({ as: z.literal('cup'), cup: oneOf('Cup', CUP_IDS), value: sheetReading }).strict(),
      ])
      .optional(),
    orifice: sheetRange(thou('Smallest orifice'), thou('Largest orifice')).optional(),
    pressure: sheetRange(sheetPressure('Lowest pressure'), sheetPressure('Highest pressure')).optional(),
    /** s */
    recoatLatest: numberWithin(
      'Latest recoat',
      SHEET_LIMITS.recoatLatest.min,
      SHEET_LIMITS.recoatLatest.max,
      'Latest recoat is between 1 and 10,000 hours.',
    ).optional(),
    wear: line('What to wear', 300).optional(),
  })
  .strict();

/** A size as it is told from another: in 10 mL, finer than any label. */
const sizeOf = (size: number): number => Math.round(size * 1e5);

/** Two containers of one size would be two prices for one thing. */
function eachOnce(containers: readonly { readonly size: number }[], context: z.RefinementCtx): void {
  containers.forEach(({ size }, index) => {
    if (containers.slice(0, index).some((other) => sizeOf(other.size) === sizeOf(size)))
      context.addIssue({
        code: 'custom',
        path: [index, 'size'],
        message: 'This size is in the list already: each has one price.',
      });
  });
}

export const coatingFields = z
  .object({
    name: line('Coating name', 120),
    archetype: oneOf('Kind of coating', ARCHETYPE_IDS),
    overrides: z.object(overrideShape).strict(),
    sheet: coatingSheet.default({}),
    /** What goes in as a second part: none, one with isocyanate, or nobody has said. */
    hardener: oneOf('Second part', HARDENERS).default('unknown'),
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
      .max(8, { error: 'Eight container sizes at most.' })
      .superRefine(eachOnce),
    note: text('Note', 2000),
  })
  .strict()
  .superRefine((value, context) => {
    const checked = checkCoating(value);
    if (!checked.ok) refusalIssue(context, checked);
  });

const fitting = oneOf('Thread', FITTINGS);
const mesh = z
  .int({ error: 'Mesh must be a whole number.' })
  .min(10, { error: 'Mesh must be between 10 and 200.' })
  .max(200, { error: 'Mesh must be between 10 and 200.' });
const rating = numberWithin('Rating', 5e6, 7e7, 'Rating must be between 50 and 700 bar.');
const SEAL_IDS = Object.keys(SEALS) as [Seal, ...Seal[]];

/** Marks of a knob at most. */
export const KNOB_MARKS = 16;

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
    power: oneOf('Power', POWERS),
    /** Thread of the hose outlet, in. */
    outlet: fitting,
    inletMesh: mesh.nullable(),
    manifoldMesh: mesh.nullable(),
    /** Mains cord, m; 0 for an engine. */
    cord: numberWithin('Cord', 0, 100, 'Cord must be between 0 and 100 m.'),
    /** What tells its pressure: a knob without figures, or the pump shows it. */
    readout: oneOf('How its pressure is set', READOUTS).default('knob'),
    /** What the crew calls the marks of the knob, in the order in which pressure rises; none while nobody has named them. */
    knobMarks: z
      .array(line('Mark', 24))
      .max(KNOB_MARKS, { error: `${KNOB_MARKS} marks at most.` })
      .default([])
      .superRefine((marks, context) => {
        marks.forEach((mark, index) => {
          if (marks.slice(0, index).some((other) => other.toLowerCase() === mark.toLowerCase()))
            context.addIssue({
              code: 'custom',
              path: [index],
              message: `"${mark}" is there twice: each mark has its own name.`,
            });
        });
        if (marks.length === 1)
          context.addIssue({ code: 'custom', path: [], message: 'A knob has two marks at least.' });
      }),
  })
  .strict();

export const hoseFields = z
  .object({
    name: line('Hose name', 120),
    /** m */
    length: numberWithin('Length', 0.3, 150, 'Length must be between 0.3 and 150 m.'),
    /** Inside diameter, m */
    bore: numberWithin('Inside diameter', 0.003, 0.026, 'Inside diameter must be between 1/8 and 1 in.'),
    /** What it is rated for, Pa. */
    maxPressure: rating,
    /** Thread at both ends, in. */
    fitting,
  })
  .strict();

/** Three or four digits; the core says what is wrong with others. */
const tipCode = z.string({ error: 'Tip code is missing.' }).meta({ pattern: '^[0-9]{3,4}$' });

/** A tip by family and code; checked against what the family is made in. */
export const tipChoice = z
  .object({ family: oneOf('Family', TIP_FAMILIES), code: tipCode })
  .strict()
  .superRefine(({ code, family }, context) => {
    const tip = readTip(code, family, 'code');
    if (!tip.ok) refusalIssue(context, tip);
  });

export const tipFields = tipChoice.safeExtend({
  /** Paint through it before this log begins, m³. */
  litresBefore: numberWithin(
    'Paint through it',
    0,
    10,
    'Paint through a tip is between 0 and 10,000 litres.',
  ),
  price: price('Price'),
  note: text('Note', 500),
});

/** What else a company owns between pump and wall. */
export const GEAR_KINDS = ['gun', 'extension', 'filter', 'seal', 'cup', 'comb', 'gauge'] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

/** What of a piece of gear must be known for its kind. */
export const GEAR_NEEDS: Readonly<Record<GearKind, readonly GearSpec[]>> = {
  gun: ['maxPressure', 'fitting', 'mesh'],
  extension: ['maxPressure', 'length'],
  filter: ['mesh'],
  seal: ['seal'],
  cup: ['cup'],
  comb: [],
  gauge: [],
};
export type GearSpec = 'maxPressure' | 'fitting' | 'mesh' | 'length' | 'seal' | 'cup';

const SPEC_NAMES: Readonly<Record<GearSpec, string>> = {
  maxPressure: 'Rating',
  fitting: 'Thread',
  mesh: 'Mesh',
  length: 'Length',
  seal: 'Seat',
  cup: 'Cup',
};

export const OWN_CUP = 'own';
export const CUP_CHOICES = [...CUP_IDS, OWN_CUP] as const;

export const gearFields = z
  .object({
    kind: oneOf('Kind', GEAR_KINDS),
    name: line('Name', 120),
    count: z
      .int({ error: 'Number must be a whole number.' })
      .min(1, { error: 'Number must be between 1 and 99.' })
      .max(99, { error: 'Number must be between 1 and 99.' }),
    maxPressure: rating.nullable(),
    fitting: fitting.nullable(),
    mesh: mesh.nullable(),
    /** m */
    length: numberWithin('Length', 0.05, 5, 'Length must be between 0.05 and 5 m.').nullable(),
    seal: oneOf('Seat', SEAL_IDS).nullable(),
    cup: oneOf('Cup', CUP_CHOICES).nullable(),
    note: text('Note', 500),
  })
  .strict()
  .superRefine((value, context) => {
    for (const spec of GEAR_NEEDS[value.kind]) {
      if (value[spec] === null) {
        context.addIssue({ code: 'custom', path: [spec], message: `${SPEC_NAMES[spec]} is missing.` });
      }
    }
  });

export const company = companyFields.extend(stored).meta({ id: 'Company' });
export const coating = coatingFields.safeExtend(stored).meta({ id: 'Coating' });
export const sprayer = sprayerFields.extend(stored).meta({ id: 'Sprayer' });
export const hose = hoseFields.extend(stored).meta({ id: 'Hose' });
export const tip = tipFields.safeExtend(stored).meta({ id: 'Tip' });

export const gear = gearFields.safeExtend(stored).meta({ id: 'Gear' });

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
export type Gear = z.infer<typeof gear>;
export type GearFields = z.infer<typeof gearFields>;
