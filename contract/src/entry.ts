import { FLUID_IDS } from '@fine-spray/core/procedure';
import { z } from 'zod';
import { CUP_CHOICES, tipChoice } from './kit';
import { id, line, numberWithin, oneOf, stored } from './primitives';

/** Shifts of a working day, as a viscosity record has them. */
export const SHIFTS = ['morning', 'afternoon', 'evening'] as const;

const seconds = z
  .array(numberWithin('Cup time', 2, 600, 'A cup time is between 2 and 600 s.'))
  .max(9, { error: 'Nine readings at most.' });
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
    /** Thinner added now, m³. */
    /** What was added: water, or the thinner by name. */
    addedWhat: line('What was added', 60, 0),
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
    width: numberWithin('Fan width', 0.02, 2, 'A fan is between 20 mm and 2 m wide.').nullable(),
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
    width: numberWithin('Fan width', 0.02, 2, 'A fan is between 20 mm and 2 m wide.'),
    /** From the wall, m. */
    distance: numberWithin('Distance', 0.05, 1, 'The gun is between 50 mm and 1 m from the card.'),
  })
  .strict();

/** Payload of each kind of entry. */
export const ENTRY_PAYLOADS = {
  viscosity: viscosityRecord,
  'set-up confirmed': confirmedSetup,
  machine: machineLeft,
  'fan measured': fanMeasured,
} as const;
export type EntryKind = keyof typeof ENTRY_PAYLOADS;
export const ENTRY_KINDS = Object.keys(ENTRY_PAYLOADS) as [EntryKind, ...EntryKind[]];

/** An entry of the site log. It is never changed: a correction is a new entry that names the one it replaces. */
export const entryFields = z
  .object({
    kind: oneOf('Kind', ENTRY_KINDS),
    /** When, as the device had it. */
    at: z.iso.datetime({ error: 'Time is missing.' }),
    author: line('Initials', 40, 0),
    jobId: id.nullable(),
    surfaceId: id.nullable(),
    replaces: id.nullable(),
    payload: z.record(z.string(), z.unknown(), { error: 'What happened is missing.' }),
  })
  .strict()
  .superRefine(({ kind, payload }, context) => {
    const checked = ENTRY_PAYLOADS[kind]?.safeParse(payload);
    for (const issue of checked?.error?.issues ?? []) {
      context.addIssue({ code: 'custom', path: ['payload', ...issue.path], message: issue.message });
    }
  });

export const entry = entryFields.safeExtend(stored).meta({ id: 'Entry' });
export type EntryFields = z.infer<typeof entryFields>;
export type Entry = z.infer<typeof entry>;
export type ViscosityRecord = z.infer<typeof viscosityRecord>;
export type ConfirmedSetup = z.infer<typeof confirmedSetup>;
export type MachineLeft = z.infer<typeof machineLeft>;
export type PayloadOf<Kind extends EntryKind> = z.infer<(typeof ENTRY_PAYLOADS)[Kind]>;

/** The entries of a kind that hold, those replaced left out, oldest first; each with its payload checked. */
export function entriesOfKind<Kind extends EntryKind>(
  entries: readonly Entry[],
  kind: Kind,
): readonly { readonly entry: Entry; readonly payload: PayloadOf<Kind> }[] {
  const replaced = new Set(entries.map(({ replaces }) => replaces));
  return entries
    .filter((one) => one.kind === kind && !replaced.has(one.id))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1))
    .flatMap((one) => {
      const checked = ENTRY_PAYLOADS[kind].safeParse(one.payload);
      return checked.success ? [{ entry: one, payload: checked.data as PayloadOf<Kind> }] : [];
    });
}
