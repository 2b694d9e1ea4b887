import type { z } from 'zod';
import type { Kind } from '../kind';
import { care } from './care';
import { clog } from './clog';
import { coatFinished } from './coatFinished';
import { coatStarted } from './coatStarted';
import { comb } from './comb';
import { containerOpened } from './containerOpened';
import { delivered } from './delivered';
import { dryReading } from './dryReading';
import { fanMeasured } from './fanMeasured';
import { fault } from './fault';
import { incident } from './incident';
import { knob } from './knob';
import { machine } from './machine';
import { note } from './note';
import { paintOut } from './paintOut';
import { picture } from './picture';
import { setupConfirmed } from './setupConfirmed';
import { sprayed } from './sprayed';
import { tipCleaned, tipFitted, tipRetired, tipReversed } from './tipHandled';
import { step } from './step';
import { touchUp } from './touchUp';
import { trial } from './trial';
import { viscosity } from './viscosity';
import { withdrawn } from './withdrawn';
import { worked } from './worked';

/** Every kind of entry, by the name it is stored under. A new one is a module beside these and a line here. */
export const KINDS = {
  delivered,
  'paint out': paintOut,
  'container opened': containerOpened,
  viscosity,
  'set-up confirmed': setupConfirmed,
  'coat started': coatStarted,
  comb,
  sprayed,
  'coat finished': coatFinished,
  'dry reading': dryReading,
  'tip fitted': tipFitted,
  'tip reversed': tipReversed,
  'tip cleaned': tipCleaned,
  'tip retired': tipRetired,
  'fan measured': fanMeasured,
  knob,
  machine,
  care,
  clog,
  fault,
  'touch-up': touchUp,
  incident,
  worked,
  step,
  note,
  trial,
  picture,
  withdrawn,
} as const satisfies Readonly<Record<string, Kind>>;

export type EntryKind = keyof typeof KINDS;
export const ENTRY_KINDS = Object.keys(KINDS) as [EntryKind, ...EntryKind[]];
export type PayloadOf<Of extends EntryKind> = z.infer<(typeof KINDS)[Of]['payload']>;

/** A kind as any is read: its parts take the payload of its own. */
export const kindOf = (kind: EntryKind): Kind => KINDS[kind];

/** Kinds that are trouble, for whoever looks for it. */
export const TROUBLE_KINDS: readonly EntryKind[] = ENTRY_KINDS.filter((kind) => kindOf(kind).trouble);

export { CLOG_PLACES } from './clog';
export { INCIDENT_LEVELS } from './incident';
export { NOTE_LIMIT } from './note';
export { SET_BYS, type SetBy } from './setupConfirmed';
export { STEP_STATES, type StepState } from './step';
export { SHIFTS } from './viscosity';
