export { CLOCK_TOLERANCE, NOT_YET_STORED, SKEW_LIMIT, isoTimeOf, timeOf } from './clock';
export { clockSkewSchema, entry, entryFields, type Entry, type EntryFields } from './entry';
export { isEntry } from './head';
export {
  ENTRIES_AT_ONCE,
  manyEntries,
  manyEntriesAnswer,
  manyEntriesHead,
  oneOfMany,
  type ManyEntriesAnswer,
} from './many';
export {
  CLOG_PLACES,
  ENTRY_KINDS,
  INCIDENT_LEVELS,
  KINDS,
  NOTE_LIMIT,
  SET_BYS,
  SHIFTS,
  STEP_STATES,
  troubleKinds,
  kindOf,
  type EntryKind,
  type PayloadOf,
  type SetBy,
  type StepState,
} from './kinds';
export type { Kind, Said } from './kind';
export { isKnown, isKnownKind, schemaOf, upgraded } from './migrations';
export { knobAt, weather, type KnobAt, type Weather } from './parts';
export {
  entriesInForce,
  entriesOfKind,
  isReadable,
  payloadOf,
  replacing,
  takeAsReadable,
  type Read,
} from './readable';
export { meanOf, thinnerAfter } from './readings';
export { coatName, knobWords, sayIn, weatherWords, type LogNames, type Say } from './say';
import type { PayloadOf } from './kinds';

export type ViscosityRecord = PayloadOf<'viscosity'>;
export type ConfirmedSetup = PayloadOf<'set-up confirmed'>;
export type MachineLeft = PayloadOf<'machine'>;
export type CoatFinishedRecord = PayloadOf<'coat finished'>;
