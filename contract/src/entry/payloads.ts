import { combReading } from '@fine-spray/core/film';
import { FLUID_IDS } from '@fine-spray/core/procedure';
import { ELEMENTS, SIDES, SURFACE_KIND_IDS, WINDS } from '@fine-spray/core/takeoff';
import { FAN_WIDTH_LIMITS, GUN_DISTANCE_LIMITS } from '@fine-spray/core/tip';
import { quantity } from '@fine-spray/core/units';
import { z } from 'zod';
import { CUP_CHOICES, refusalIssue, tipChoice } from '../kit';
import { id, line, numberWithin, oneOf, text } from '../primitives';

/** Shifts of a working day, as a viscosity record has them. */
export const SHIFTS = ['morning', 'afternoon', 'evening'] as const;

const seconds = z
  .array(numberWithin('Cup time', 2, 600, 'A cup time is between 2 and 600 s.'))
  .max(9, { error: 'Nine readings at most.' });
const fanWidth = numberWithin(
  'Fan width',
  FAN_WIDTH_LIMITS.min,
  FAN_WIDTH_LIMITS.max,
  'A fan is between 20 mm and 2 m wide.',
);
const fraction = (label: string) => numberWithin(label, 0, 1, `${label} is between 0 and 100 %.`);
const kelvin = numberWithin(
  'Temperature',
  273.15,
  323.15,
  'Paint is between 0 and 50 °C: frozen or boiling paint is not paint any more.',
);
const pressure = (label: string) => numberWithin(label, 5e5, 7e7, `${label} must be between 5 and 700 bar.`);
const viscosity = numberWithin('Viscosity', 1e-4, 50, 'Viscosity must be between 0.0001 and 50 Pa·s.');

/** A check of the paint: before, what was added, after. */
export const viscosityRecord = z
  .object({
    coatingId: id,
    batch: line('Batch', 60, 0),
    newContainer: z.boolean(),
    shift: oneOf('Shift', SHIFTS),
    cup: oneOf('Cup', CUP_CHOICES),
    temperature: kelvin,
    /** Cup times before anything was added. */
    before: seconds.min(1, { error: 'Take one cup time at least.' }),
    /** Seconds wanted with this cup. */
    target: numberWithin('Wanted cup time', 2, 600, 'A cup time is between 2 and 600 s.'),
    /** Thinner in it before, per volume of paint. */
    thinnerBefore: fraction('Thinner in it'),
    /** Paint in the container, m³. */
    container: numberWithin('Container', 1e-4, 1.2, 'A container holds between 0.1 and 1,200 litres.'),
    /** What was added: water, or the thinner by name. */
    addedWhat: line('What was added', 60, 0),
    /** Thinner added now, m³. */
    added: numberWithin('Added', 0, 0.6, 'What is added is between 0 and 600 litres.'),
    after: seconds,
    /** Pa·s by the cup, where its standard converts these seconds. */
    viscosityBefore: viscosity.nullable(),
    viscosityAfter: viscosity.nullable(),
  })
  .strict()
  .superRefine(({ added, container }, context) => {
    if (added > container) {
      context.addIssue({
        code: 'custom',
        path: ['added'],
        message: 'More thinner than paint: check the unit.',
      });
    }
  });

/** A dial-in that ended with an even fan, or was set by hand. */
export const confirmedSetup = z
  .object({
    coatingId: id,
    tip: tipChoice,
    /** Which one of the kit; null where nobody said. */
    tipId: id.nullable(),
    sprayerId: id,
    hoseIds: z.array(id).max(8),
    thinning: fraction('Thinner'),
    temperature: kelvin.nullable(),
    /** At the gun, Pa; at the pump; and what the card had expected at the gun. */
    gun: pressure('Gun pressure'),
    pump: pressure('Pump setting'),
    expected: pressure('Expected pressure'),
    certainty: fraction('Certainty'),
    sure: z.boolean(),
    cards: z.int().min(0).max(500),
    /** Measured width of the fan, m. */
    width: fanWidth.nullable(),
  })
  .strict();

/** What stands in a machine after a start-up or a shut-down. */
export const machineLeft = z
  .object({
    sprayerId: id,
    holds: oneOf('Fluid', FLUID_IDS),
    coatingId: id.nullable(),
    procedure: oneOf('Procedure', ['start-up', 'shut-down']),
  })
  .strict();

export const fanMeasured = z
  .object({
    tipId: id,
    width: fanWidth,
    /** From the wall, m. */
    distance: numberWithin(
      'Distance',
      GUN_DISTANCE_LIMITS.min,
      GUN_DISTANCE_LIMITS.max,
      'The gun is between 50 mm and 1 m from the card.',
    ),
    /** At the gun, Pa; null where nobody looked. */
    gun: pressure('Gun pressure').nullable(),
  })
  .strict();

/** Longest note, characters. */
export const NOTE_LIMIT = 20_000;

const coat = z
  .int({ error: 'Coat is missing.' })
  .min(1, { error: 'Coats are counted from 1.' })
  .max(20, { error: 'Twenty coats at most.' });
const litres = (label: string, least: number, most: number) =>
  numberWithin(
    label,
    least / 1000,
    most / 1000,
    `${label} is between ${least.toLocaleString('en')} and ${most.toLocaleString('en')} litres.`,
  );
const batch = line('Batch', 60, 0);

/** Where the weather of an entry was read. */
const WEATHER_SOURCES = ['station', 'by hand', 'last entry'] as const;

/** The weather a coat was laid in. */
export const weather = z
  .object({
    source: oneOf('Source', WEATHER_SOURCES),
    air: numberWithin('Temperature', 233.15, 333.15, 'Temperature is between −40 and 60 °C.'),
    surface: numberWithin('Surface', 233.15, 363.15, 'A surface is between −40 and 90 °C.').nullable(),
    humidity: fraction('Humidity'),
    wind: numberWithin('Wind', 0, 60, 'Wind is between 0 and 60 m/s.').nullable(),
    /** m/s. */
    rain: numberWithin('Rain', 0, 1e-4, 'Rain is between 0 and 360 mm an hour.').nullable(),
  })
  .strict();

/** Paint that came to the job. */
export const delivered = z
  .object({
    coatingId: id,
    batch,
    /** Of one container, m³. */
    size: litres('A container', 0.1, 1200),
    count: z.int({ error: 'Number is missing.' }).min(1, { error: 'One container at least.' }).max(500),
  })
  .strict();

export const containerOpened = z
  .object({
    coatingId: id,
    batch,
    size: litres('A container', 0.1, 1200),
    /** Batches it was mixed with before it was sprayed. */
    boxedWith: z.array(line('Batch', 60)).max(12, { error: 'Twelve batches at most.' }),
  })
  .strict();

/** Comb readings by the last wetted tooth of a comb; null: no tooth was wet. Film in m, speed in m/s. */
export const combReadings = z
  .object({
    coatingId: id,
    coat,
    teeth: z.array(z.number()).min(2).max(40),
    lastWet: z
      .array(z.number().nullable())
      .min(1, { error: 'Take one reading at least.' })
      .max(60, { error: 'Sixty readings at most.' }),
    thinner: fraction('Thinner'),
    element: oneOf('Piece', ELEMENTS).nullable(),
    tip: tipChoice.nullable(),
    target: numberWithin('Film wanted', 5e-6, 3e-3, 'A wet film is between 5 and 3,000 μm.').nullable(),
    /** As it was held, and as the card has it. */
    speed: numberWithin('Gun speed', 0.02, 5, 'A gun moves between 0.02 and 5 m/s.').nullable(),
    cardSpeed: numberWithin(
      'Gun speed of the card',
      0.02,
      5,
      'A gun moves between 0.02 and 5 m/s.',
    ).nullable(),
  })
  .strict()
  .superRefine(({ teeth, lastWet }, context) => {
    const comb = teeth.map((tooth) => quantity<never>(tooth));
    lastWet.forEach((tooth, index) => {
      const reading = combReading(
        tooth === null ? undefined : quantity(tooth),
        comb,
        'metric',
        `lastWet.${index}`,
      );
      if (!reading.ok) refusalIssue(context, reading);
    });
  });

/** Dry film by a gauge, m, of all coats so far. */
export const dryReadings = z
  .object({
    readings: z
      .array(numberWithin('Dry film', 1e-6, 5e-3, 'A dry film is between 1 and 5,000 μm.'))
      .min(1, { error: 'Take one reading at least.' })
      .max(60, { error: 'Sixty readings at most.' }),
  })
  .strict();

const coatOf = { coatingId: id, coat };

export const coatStarted = z.object({ ...coatOf, weather: weather.nullable() }).strict();

export const coatFinished = z
  .object({
    ...coatOf,
    element: oneOf('Piece', ELEMENTS),
    side: oneOf('Side', SIDES),
    kind: oneOf('Surface', SURFACE_KIND_IDS),
    wind: oneOf('Wind', WINDS),
    /** Net area times texture, m². */
    trueArea: numberWithin('Area', 0.001, 100_000, 'An area is between 0.001 and 100,000 m².'),
    weather,
  })
  .strict();

export const paintSprayed = z
  .object({
    ...coatOf,
    tipId: id.nullable(),
    /** Through the gun with its thinner, m³. */
    volume: litres('What was sprayed', 0.01, 500),
  })
  .strict();

export const tipHandled = z.object({ tipId: id, tip: tipChoice, why: line('Why', 200, 0) }).strict();

/** Where paint stops. */
export const CLOG_PLACES = [
  'tip',
  'gun filter',
  'manifold filter',
  'inlet strainer',
  'hose',
  'valve',
] as const;

export const clog = z
  .object({ where: oneOf('Where', CLOG_PLACES), tipId: id.nullable(), cure: line('What cured it', 200, 0) })
  .strict();

export const fault = z
  .object({ what: line('What went wrong', 200), cure: line('What cured it', 400, 0) })
  .strict();

export const touchUp = z
  .object({ coatingId: id.nullable(), volume: litres('Paint', 0, 100).nullable(), why: line('Why', 300) })
  .strict();

export const INCIDENT_LEVELS = ['near miss', 'incident'] as const;

/** What hurt, or nearly did. */
export const incident = z
  .object({
    level: oneOf('Level', INCIDENT_LEVELS),
    what: text('What happened', 4000, 1),
    done: text('What was done', 4000),
  })
  .strict();

export const note = z.object({ text: text('Note', NOTE_LIMIT, 1) }).strict();

/** Takes an entry back: it stays to be seen and counts no more. */
export const withdrawn = z.object({ why: line('Why', 200, 0) }).strict();
