import { of } from '../units';

export type CoatingBase = 'water' | 'solvent';

/** Numeric properties of a coating, in SI; each may be replaced by a data sheet value. */
export interface CoatingValues {
  readonly volumeSolids: number;
  readonly density: number;
  readonly viscosityLowShear: number;
  readonly viscosityHighShear: number;
  readonly dryFilm: number;
  readonly sagLimit: number;
  readonly thinningLimit: number;
  readonly recoatTime: number;
  readonly minimumTemperature: number;
}

export type CoatingProperty = keyof CoatingValues;

export interface Archetype {
  readonly name: string;
  readonly base: CoatingBase;
  readonly values: CoatingValues;
  readonly mesh: 30 | 60 | 100;
  readonly orifices: { readonly low: number; readonly high: number };
  readonly abrasionClass: 1 | 2 | 3;
}

type Row = readonly [
  name: string,
  base: CoatingBase,
  solidsPercent: number,
  densityKgL: number,
  eta100: number,
  eta10k: number,
  dryMicrons: number,
  sagMicrons: number,
  thinPercent: number,
  mesh: 30 | 60 | 100,
  orificeLow: number,
  orificeHigh: number,
  recoatHours: number,
  minCelsius: number,
  abrasion: 1 | 2 | 3,
];

function archetype(row: Row): Archetype {
  const [name, base, solids, density, low, high, dry, sag, thin, mesh, from, upTo, recoat, cold, abrasion] =
    row;
  return {
    name,
    base,
    mesh,
    orifices: { low: from, high: upTo },
    abrasionClass: abrasion,
    values: {
      volumeSolids: of(solids, '%'),
      density: of(density, 'kg/L'),
      viscosityLowShear: low,
      viscosityHighShear: high,
      dryFilm: of(dry, 'μm'),
      sagLimit: of(sag, 'μm'),
      thinningLimit: of(thin, '%'),
      recoatTime: of(recoat, 'h'),
      minimumTemperature: of(cold, '°C'),
    },
  };
}

/** Working defaults by kind of coating (method.md, "Coatings"). Editable; every one may be replaced by its data sheet. */
// prettier-ignore
export const ARCHETYPES = {
  'penetrating-stain': archetype(['Penetrating wood stain, water-borne', 'water', 14, 1.02, 0.04, 0.02, 15, 75, 0, 100, 7, 11, 3, 10, 1]),
  'solid-stain': archetype(['Solid-colour wood stain, water-borne', 'water', 30, 1.15, 0.6, 0.06, 40, 150, 5, 100, 9, 13, 4, 10, 1]),
  'clear-varnish': archetype(['Clear varnish, water-borne', 'water', 32, 1.03, 0.35, 0.06, 30, 125, 5, 100, 8, 11, 3, 10, 1]),
  'clear-lacquer-solvent': archetype(['Clear lacquer, solvent', 'solvent', 25, 0.93, 0.15, 0.05, 25, 125, 15, 100, 8, 11, 1, 10, 1]),
  'trim-enamel': archetype(['Trim enamel, water-borne', 'water', 37, 1.22, 1.0, 0.12, 38, 150, 5, 100, 10, 14, 6, 10, 1]),
  'trim-enamel-solvent': archetype(['Trim enamel, solvent', 'solvent', 52, 1.2, 0.5, 0.2, 45, 125, 10, 100, 9, 12, 18, 5, 1]),
  'wall-matt': archetype(['Interior wall matt, water-borne', 'water', 36, 1.38, 1.6, 0.12, 40, 200, 5, 60, 15, 19, 4, 10, 2]),
  'wall-satin': archetype(['Interior wall satin, water-borne', 'water', 38, 1.28, 1.4, 0.12, 42, 180, 5, 60, 13, 17, 4, 10, 1]),
  'ceiling-flat': archetype(['Ceiling flat, water-borne', 'water', 34, 1.45, 1.8, 0.13, 45, 250, 5, 60, 17, 21, 4, 10, 2]),
  'board-primer': archetype(['Board primer-sealer, water-borne', 'water', 32, 1.3, 1.2, 0.1, 35, 180, 5, 60, 13, 17, 3, 10, 2]),
  'stain-block': archetype(['Stain-blocking primer, water-borne', 'water', 38, 1.3, 1.2, 0.12, 40, 180, 5, 60, 13, 17, 2, 10, 2]),
  'stain-block-solvent': archetype(['Stain-blocking primer, solvent', 'solvent', 45, 1.3, 0.6, 0.18, 40, 150, 5, 60, 11, 15, 2, 5, 2]),
  'exterior-acrylic': archetype(['Exterior acrylic, water-borne', 'water', 42, 1.3, 1.6, 0.14, 55, 250, 5, 60, 15, 19, 4, 10, 1]),
  'exterior-wood-primer': archetype(['Exterior wood primer, water-borne', 'water', 40, 1.32, 1.5, 0.14, 50, 220, 5, 60, 15, 17, 6, 10, 2]),
  'high-build-masonry': archetype(['High-build masonry, water-borne', 'water', 52, 1.4, 3.0, 0.25, 150, 450, 5, 30, 21, 27, 16, 10, 3]),
  'block-filler': archetype(['Block filler, water-borne', 'water', 52, 1.55, 4.0, 0.35, 200, 600, 3, 30, 25, 35, 12, 10, 3]),
  'metal-primer': archetype(['Metal primer, water-borne', 'water', 40, 1.3, 1.0, 0.12, 50, 180, 5, 100, 11, 13, 4, 10, 2]),
} as const satisfies Record<string, Archetype>;

export type ArchetypeId = keyof typeof ARCHETYPES;
export const ARCHETYPE_IDS = Object.keys(ARCHETYPES) as [ArchetypeId, ...ArchetypeId[]];

export function archetypeOf(id: ArchetypeId): Archetype {
  return ARCHETYPES[id];
}
