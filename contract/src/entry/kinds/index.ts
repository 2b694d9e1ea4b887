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

/**
 * Every kind of entry, by the name it is stored under. A new one is a module beside these and a line here. A kind is read when it is first
 * asked for: to make the schemas of all at once holds a slow phone up for the better part of a second.
 */
export const KINDS = {
  get delivered() {
    return delivered;
  },
  get 'paint out'() {
    return paintOut;
  },
  get 'container opened'() {
    return containerOpened;
  },
  get viscosity() {
    return viscosity;
  },
  get 'set-up confirmed'() {
    return setupConfirmed;
  },
  get 'coat started'() {
    return coatStarted;
  },
  get comb() {
    return comb;
  },
  get sprayed() {
    return sprayed;
  },
  get 'coat finished'() {
    return coatFinished;
  },
  get 'dry reading'() {
    return dryReading;
  },
  get 'tip fitted'() {
    return tipFitted;
  },
  get 'tip reversed'() {
    return tipReversed;
  },
  get 'tip cleaned'() {
    return tipCleaned;
  },
  get 'tip retired'() {
    return tipRetired;
  },
  get 'fan measured'() {
    return fanMeasured;
  },
  get knob() {
    return knob;
  },
  get machine() {
    return machine;
  },
  get care() {
    return care;
  },
  get clog() {
    return clog;
  },
  get fault() {
    return fault;
  },
  get 'touch-up'() {
    return touchUp;
  },
  get incident() {
    return incident;
  },
  get worked() {
    return worked;
  },
  get step() {
    return step;
  },
  get note() {
    return note;
  },
  get trial() {
    return trial;
  },
  get picture() {
    return picture;
  },
  get withdrawn() {
    return withdrawn;
  },
} as const satisfies Readonly<Record<string, Kind>>;

export type EntryKind = keyof typeof KINDS;
export const ENTRY_KINDS = Object.keys(KINDS) as [EntryKind, ...EntryKind[]];
export type PayloadOf<Of extends EntryKind> = z.infer<(typeof KINDS)[Of]['payload']>;

/** A kind as any is read: its parts take the payload of its own. */
export const kindOf = (kind: EntryKind): Kind => KINDS[kind];

/** Kinds that are trouble, for whoever looks for it. */
export const troubleKinds = (): readonly EntryKind[] => ENTRY_KINDS.filter((kind) => kindOf(kind).trouble);

export { CLOG_PLACES } from './clog';
export { INCIDENT_LEVELS } from './incident';
export { NOTE_LIMIT } from './note';
export { SET_BYS, type SetBy } from './setupConfirmed';
export { STEP_STATES, type StepState } from './step';
export { SHIFTS } from './viscosity';
