import * as payloads from './payloads';
import type { z } from 'zod';

/** Payload of each kind of entry, as this version of the program writes it. */
export const ENTRY_PAYLOADS = {
  delivered: payloads.delivered,
  'container opened': payloads.containerOpened,
  viscosity: payloads.viscosityRecord,
  'set-up confirmed': payloads.confirmedSetup,
  'coat started': payloads.coatStarted,
  comb: payloads.combReadings,
  sprayed: payloads.paintSprayed,
  'coat finished': payloads.coatFinished,
  'dry reading': payloads.dryReadings,
  'tip fitted': payloads.tipHandled,
  'tip reversed': payloads.tipHandled,
  'tip cleaned': payloads.tipHandled,
  'tip retired': payloads.tipHandled,
  'fan measured': payloads.fanMeasured,
  machine: payloads.machineLeft,
  clog: payloads.clog,
  fault: payloads.fault,
  'touch-up': payloads.touchUp,
  incident: payloads.incident,
  note: payloads.note,
  withdrawn: payloads.withdrawn,
} as const;

export type EntryKind = keyof typeof ENTRY_PAYLOADS;
export const ENTRY_KINDS = Object.keys(ENTRY_PAYLOADS) as [EntryKind, ...EntryKind[]];
export type PayloadOf<Kind extends EntryKind> = z.infer<(typeof ENTRY_PAYLOADS)[Kind]>;

/** What people call each kind. */
export const ENTRY_NAMES: Readonly<Record<EntryKind, string>> = {
  delivered: 'Paint delivered',
  'container opened': 'Container opened',
  viscosity: 'Paint checked',
  'set-up confirmed': 'Set-up confirmed',
  'coat started': 'Coat started',
  comb: 'Comb read',
  sprayed: 'Litres sprayed',
  'coat finished': 'Coat finished',
  'dry reading': 'Dry film read',
  'tip fitted': 'Tip fitted',
  'tip reversed': 'Tip reversed',
  'tip cleaned': 'Tip cleaned',
  'tip retired': 'Tip retired',
  'fan measured': 'Fan measured',
  machine: 'Machine left with',
  clog: 'Clog',
  fault: 'Fault and cure',
  'touch-up': 'Touch-up',
  incident: 'Near miss or incident',
  note: 'Note',
  withdrawn: 'Taken back',
};

/** Kinds that are trouble, for whoever looks for it. */
export const TROUBLE_KINDS: readonly EntryKind[] = ['clog', 'fault', 'touch-up', 'incident'];
