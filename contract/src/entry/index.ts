export {
  CLOCK_TOLERANCE,
  NOT_YET_STORED,
  SKEW_LIMIT,
  clockSkewSchema,
  entriesOfKind,
  entry,
  entryFields,
  entriesInForce,
  isEntry,
  isReadable,
  isoTimeOf,
  payloadOf,
  replacing,
  timeOf,
  type Entry,
  type EntryFields,
  type Read,
} from './entry';
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
export { meanOf, thinnerAfter } from './readings';
export { coatName, knobWords, sayIn, weatherWords, type LogNames, type Say } from './say';
import type { PayloadOf } from './kinds';

export type ViscosityRecord = PayloadOf<'viscosity'>;
export type ConfirmedSetup = PayloadOf<'set-up confirmed'>;
export type MachineLeft = PayloadOf<'machine'>;
export type CoatFinishedRecord = PayloadOf<'coat finished'>;
