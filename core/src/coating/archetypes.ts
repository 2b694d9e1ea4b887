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
  /** Made to go into bare wood: what it lays does not stand on it, so that no sag limit parts its coat. */
  readonly goesIn: boolean;
}

/** What is known of a kind of coating, in the units painters and data sheets use. */
interface Defaults {
  readonly name: string;
  readonly base: CoatingBase;
  /** % by volume. */
  readonly solids: number;
  /** kg/L. */
  readonly density: number;
  /** Pa·s at 100 1/s and at 10,000 1/s. */
  readonly viscosity: { readonly low: number; readonly high: number };
  /** Dry film for one coat, and the wet film that sags on a wall; μm. */
  readonly dryFilm: number;
  readonly sagLimit: number;
  /** % by volume. */
  readonly thinningLimit: number;
  readonly mesh: 30 | 60 | 100;
  /** Thou. */
  readonly orifice: readonly [low: number, high: number];
  /** Hours. */
  readonly recoat: number;
  /** °C. */
  readonly coldest: number;
  readonly abrasion: 1 | 2 | 3;
  readonly goesIn?: true;
}

function archetype({
  name,
  base,
  mesh,
  orifice,
  abrasion,
  viscosity,
  goesIn,
  ...given
}: Defaults): Archetype {
  const [low, high] = orifice;
  return {
    name,
    base,
    mesh,
    orifices: { low, high },
    abrasionClass: abrasion,
    goesIn: goesIn === true,
    values: {
      volumeSolids: of(given.solids, '%'),
      density: of(given.density, 'kg/L'),
      viscosityLowShear: viscosity.low,
      viscosityHighShear: viscosity.high,
      dryFilm: of(given.dryFilm, 'μm'),
      sagLimit: of(given.sagLimit, 'μm'),
      thinningLimit: of(given.thinningLimit, '%'),
      recoatTime: of(given.recoat, 'h'),
      minimumTemperature: of(given.coldest, '°C'),
    },
  };
}

/** Working defaults by kind of coating (method.md, "Coatings"). Editable; every one may be replaced by its data sheet. */
export const ARCHETYPES = {
  'penetrating-stain': archetype({
    name: 'Penetrating wood stain, water-borne',
    base: 'water',
    solids: 14,
    density: 1.02,
    viscosity: { low: 0.04, high: 0.02 },
    dryFilm: 15,
    sagLimit: 75,
    thinningLimit: 0,
    mesh: 100,
    orifice: [7, 11],
    recoat: 3,
    coldest: 10,
    goesIn: true,
    abrasion: 1,
  }),
  'solid-stain': archetype({
    name: 'Solid-colour wood stain, water-borne',
    base: 'water',
    solids: 30,
    density: 1.15,
    viscosity: { low: 0.6, high: 0.06 },
    dryFilm: 40,
    sagLimit: 150,
    thinningLimit: 5,
    mesh: 100,
    orifice: [9, 13],
    recoat: 4,
    coldest: 10,
    abrasion: 1,
  }),
  'clear-varnish': archetype({
    name: 'Clear varnish, water-borne',
    base: 'water',
    solids: 32,
    density: 1.03,
    viscosity: { low: 0.35, high: 0.06 },
    dryFilm: 30,
    sagLimit: 125,
    thinningLimit: 5,
    mesh: 100,
    orifice: [8, 11],
    recoat: 3,
    coldest: 10,
    abrasion: 1,
  }),
  'clear-lacquer-solvent': archetype({
    name: 'Clear lacquer, solvent',
    base: 'solvent',
    solids: 25,
    density: 0.93,
    viscosity: { low: 0.15, high: 0.05 },
    dryFilm: 25,
    sagLimit: 125,
    thinningLimit: 15,
    mesh: 100,
    orifice: [8, 11],
    recoat: 1,
    coldest: 10,
    abrasion: 1,
  }),
  'trim-enamel': archetype({
    name: 'Trim enamel, water-borne',
    base: 'water',
    solids: 37,
    density: 1.22,
    viscosity: { low: 1.0, high: 0.12 },
    dryFilm: 38,
    sagLimit: 150,
    thinningLimit: 5,
    mesh: 100,
    orifice: [10, 14],
    recoat: 6,
    coldest: 10,
    abrasion: 1,
  }),
  'trim-enamel-solvent': archetype({
    name: 'Trim enamel, solvent',
    base: 'solvent',
    solids: 52,
    density: 1.2,
    viscosity: { low: 0.5, high: 0.2 },
    dryFilm: 45,
    sagLimit: 125,
    thinningLimit: 10,
    mesh: 100,
    orifice: [9, 12],
    recoat: 18,
    coldest: 5,
    abrasion: 1,
  }),
  'wall-matt': archetype({
    name: 'Interior wall matt, water-borne',
    base: 'water',
    solids: 36,
    density: 1.38,
    viscosity: { low: 1.6, high: 0.12 },
    dryFilm: 40,
    sagLimit: 200,
    thinningLimit: 5,
    mesh: 60,
    orifice: [15, 19],
    recoat: 4,
    coldest: 10,
    abrasion: 2,
  }),
  'wall-satin': archetype({
    name: 'Interior wall satin, water-borne',
    base: 'water',
    solids: 38,
    density: 1.28,
    viscosity: { low: 1.4, high: 0.12 },
    dryFilm: 42,
    sagLimit: 180,
    thinningLimit: 5,
    mesh: 60,
    orifice: [13, 17],
    recoat: 4,
    coldest: 10,
    abrasion: 1,
  }),
  'ceiling-flat': archetype({
    name: 'Ceiling flat, water-borne',
    base: 'water',
    solids: 34,
    density: 1.45,
    viscosity: { low: 1.8, high: 0.13 },
    dryFilm: 45,
    sagLimit: 250,
    thinningLimit: 5,
    mesh: 60,
    orifice: [17, 21],
    recoat: 4,
    coldest: 10,
    abrasion: 2,
  }),
  'board-primer': archetype({
    name: 'Board primer-sealer, water-borne',
    base: 'water',
    solids: 32,
    density: 1.3,
    viscosity: { low: 1.2, high: 0.1 },
    dryFilm: 35,
    sagLimit: 180,
    thinningLimit: 5,
    mesh: 60,
    orifice: [13, 17],
    recoat: 3,
    coldest: 10,
    abrasion: 2,
  }),
  'stain-block': archetype({
    name: 'Stain-blocking primer, water-borne',
    base: 'water',
    solids: 38,
    density: 1.3,
    viscosity: { low: 1.2, high: 0.12 },
    dryFilm: 40,
    sagLimit: 180,
    thinningLimit: 5,
    mesh: 60,
    orifice: [13, 17],
    recoat: 2,
    coldest: 10,
    abrasion: 2,
  }),
  'stain-block-solvent': archetype({
    name: 'Stain-blocking primer, solvent',
    base: 'solvent',
    solids: 45,
    density: 1.3,
    viscosity: { low: 0.6, high: 0.18 },
    dryFilm: 40,
    sagLimit: 150,
    thinningLimit: 5,
    mesh: 60,
    orifice: [11, 15],
    recoat: 2,
    coldest: 5,
    abrasion: 2,
  }),
  'exterior-acrylic': archetype({
    name: 'Exterior acrylic, water-borne',
    base: 'water',
    solids: 42,
    density: 1.3,
    viscosity: { low: 1.6, high: 0.14 },
    dryFilm: 55,
    sagLimit: 250,
    thinningLimit: 5,
    mesh: 60,
    orifice: [15, 19],
    recoat: 4,
    coldest: 10,
    abrasion: 1,
  }),
  'exterior-wood-primer': archetype({
    name: 'Exterior wood primer, water-borne',
    base: 'water',
    solids: 40,
    density: 1.32,
    viscosity: { low: 1.5, high: 0.14 },
    dryFilm: 50,
    sagLimit: 220,
    thinningLimit: 5,
    mesh: 60,
    orifice: [15, 17],
    recoat: 6,
    coldest: 10,
    abrasion: 2,
  }),
  'high-build-masonry': archetype({
    name: 'High-build masonry, water-borne',
    base: 'water',
    solids: 52,
    density: 1.4,
    viscosity: { low: 3.0, high: 0.25 },
    dryFilm: 150,
    sagLimit: 450,
    thinningLimit: 5,
    mesh: 30,
    orifice: [21, 27],
    recoat: 16,
    coldest: 10,
    abrasion: 3,
  }),
  'block-filler': archetype({
    name: 'Block filler, water-borne',
    base: 'water',
    solids: 52,
    density: 1.55,
    viscosity: { low: 4.0, high: 0.35 },
    dryFilm: 200,
    sagLimit: 600,
    thinningLimit: 3,
    mesh: 30,
    orifice: [25, 35],
    recoat: 12,
    coldest: 10,
    abrasion: 3,
  }),
  'metal-primer': archetype({
    name: 'Metal primer, water-borne',
    base: 'water',
    solids: 40,
    density: 1.3,
    viscosity: { low: 1.0, high: 0.12 },
    dryFilm: 50,
    sagLimit: 180,
    thinningLimit: 5,
    mesh: 100,
    orifice: [11, 13],
    recoat: 4,
    coldest: 10,
    abrasion: 2,
  }),
} as const satisfies Record<string, Archetype>;

export type ArchetypeId = keyof typeof ARCHETYPES;
export const ARCHETYPE_IDS = Object.keys(ARCHETYPES) as [ArchetypeId, ...ArchetypeId[]];

export function archetypeOf(id: ArchetypeId): Archetype {
  return ARCHETYPES[id];
}
