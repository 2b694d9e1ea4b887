import type { Basis } from '../explain';
import type { ArchetypeId, CoatingProperty } from './archetypes';
import type { CupId } from './cups';

/** A value that replaces a working default, and where it was read. */
export interface CoatingOverride {
  readonly value: number;
  readonly basis: Exclude<Basis, 'default'>;
  readonly source: string;
}

/** How thick a maker's sheet says the paint is, in the sheet's own words: Krebs units, centipoise, or seconds of a cup. */
export type SheetViscosity =
  | { readonly as: 'KU'; readonly value: number }
  /** Centipoise, the same as mPa·s. */
  | { readonly as: 'cP'; readonly value: number }
  | { readonly as: 'cup'; readonly cup: CupId; readonly value: number };

export interface SheetRange {
  readonly low: number;
  readonly high: number;
}

/** What a maker's sheet says beside single values: each as it stands there, SI but for the orifice. */
export interface CoatingSheet {
  /** Theoretical: area over volume, 1/m. */
  readonly spreadingRate?: number | undefined;
  readonly viscosity?: SheetViscosity | undefined;
  /** Orifices advised, thou. */
  readonly orifice?: SheetRange | undefined;
  /** Pressure advised, Pa. */
  readonly pressure?: SheetRange | undefined;
  /** Longest wait before the next coat, s. */
  readonly recoatLatest?: number | undefined;
  /** What to wear. */
  readonly wear?: string | undefined;
}

export interface Coating {
  readonly name: string;
  readonly archetype: ArchetypeId;
  readonly overrides: Partial<Record<CoatingProperty, CoatingOverride | undefined>>;
  /** What else its maker's sheet says. */
  readonly sheet?: CoatingSheet | undefined;
}
