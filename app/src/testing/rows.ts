import type { Coating, Hose, Sprayer } from '@fine-spray/contract';
import type { SetupSurface } from '@fine-spray/contract/planning';
import { SPRAYER_CLASS_DATA } from '@fine-spray/core/line';
import { of } from '@fine-spray/core/units';

/** What the server adds to every row. */
export const row = { version: 1, createdAt: '2026-01-01T00:00:00Z', updatedAt: '2026-01-01T00:00:00Z' };

/** A coating of the kit, sold by 5 L. */
export const coatingRow = (id: string, name: string, archetype: Coating['archetype']): Coating => ({
  ...row,
  id,
  name,
  archetype,
  overrides: {},
  sheet: {},
  hardener: 'none',
  containers: [{ size: of(5, 'L'), price: null }],
  note: '',
});

/** A sprayer of the kit by its class, as the working defaults have it. */
export const sprayerRow = (id: string, name: string, sprayerClass: Sprayer['sprayerClass']): Sprayer => ({
  ...row,
  id,
  name,
  sprayerClass,
  ...SPRAYER_CLASS_DATA[sprayerClass],
  power: 'electric',
  outlet: '1/4',
  readout: 'knob',
  knobMarks: [],
  inletMesh: 30,
  manifoldMesh: 60,
  cord: 5,
});

/** 15 m of quarter inch hose. */
export const hoseRow = (id: string, name: string): Hose => ({
  ...row,
  id,
  name,
  length: 15,
  bore: of(1 / 4, 'in'),
  maxPressure: of(250, 'bar'),
  fitting: '1/4',
});

/** A wall of a usual room, as the card asks for it. */
export const wallSetup: SetupSurface = {
  part: '',
  element: 'wall',
  side: 'inside',
  kind: 'smooth-board',
  condition: 'sealed',
  state: null,
  under: [],
  wind: 'calm',
  geometry: { shape: 'rectangle', width: 6.2, height: 2.6, count: 1, openings: [] },
  coatingId: 'c',
  coats: 2,
  thinning: 0,
  tip: null,
};
