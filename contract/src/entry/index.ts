export {
  CLOCK_TOLERANCE,
  entriesOfKind,
  entry,
  entryFields,
  heldEntries,
  isEntry,
  isReadable,
  isoTimeOf,
  payloadOf,
  timeOf,
  type Entry,
  type EntryFields,
  type Read,
} from './entry';
export {
  ENTRY_KINDS,
  ENTRY_NAMES,
  ENTRY_PAYLOADS,
  TROUBLE_KINDS,
  type EntryKind,
  type PayloadOf,
} from './kinds';
export { isKnown, isKnownKind, schemaOf, upgraded } from './migrations';
export { CLOG_PLACES, INCIDENT_LEVELS, NOTE_LIMIT, SHIFTS, viscosityRecord, weather } from './payloads';
export { meanOf, thinnerAfter } from './readings';
import type { PayloadOf } from './kinds';
import type { z } from 'zod';
import type { weather } from './payloads';

export type ViscosityRecord = PayloadOf<'viscosity'>;
export type ConfirmedSetup = PayloadOf<'set-up confirmed'>;
export type MachineLeft = PayloadOf<'machine'>;
export type CoatFinishedRecord = PayloadOf<'coat finished'>;
export type Weather = z.infer<typeof weather>;
