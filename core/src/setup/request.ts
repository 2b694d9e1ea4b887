import {
  archetypeOf,
  coatingValues,
  powerLaw,
  thinnedViscosity,
  type Coating,
  type CoatingValues,
} from '../coating';
import type { HoseRun, LineFluid, Sprayer } from '../line';
import { workingDefault, type Input } from '../explain';
import {
  transferEfficiency,
  type Condition,
  type Element,
  type Side,
  type SurfaceGeometry,
  type SurfaceKind,
  type Wind,
} from '../takeoff';
import type { Tip } from '../tip';
import { of, quantity, type Fraction, type Length } from '../units';

/** Everything the set-up of one surface depends on. */
export interface SetupRequest {
  readonly element: Element;
  readonly side: Side;
  readonly kind: SurfaceKind;
  readonly condition: Condition;
  readonly wind: Wind;
  readonly geometry: SurfaceGeometry;
  readonly coating: Coating;
  readonly coats: number;
  /** Thinner per volume of paint. */
  readonly thinning: Fraction;
  readonly sprayer: Sprayer;
  readonly hoses: readonly HoseRun[];
  /** Gun above pump. */
  readonly lift: Length;
  /** Tips the company owns. */
  readonly rack: readonly Tip[];
  /** A tip picked by hand instead of the best one. */
  readonly chosenTip?: Tip | undefined;
  /** Container sizes the coating is sold in, m³. */
  readonly containerSizes: readonly number[];
}

/** Paint of two viscosity readings and a density, thinned. */
export function fluidFrom(
  lowShear: number,
  highShear: number,
  density: number,
  thinning: Fraction,
): LineFluid {
  return {
    density: quantity(density),
    rheology: powerLaw(
      thinnedViscosity(quantity(lowShear), thinning),
      thinnedViscosity(quantity(highShear), thinning),
    ),
  };
}

/** The paint as it runs through the line: thinned as asked. */
export function fluidOf({ coating, thinning }: Pick<SetupRequest, 'coating' | 'thinning'>): LineFluid {
  const values = coatingValues(coating);
  return fluidFrom(values.viscosityLowShear, values.viscosityHighShear, values.density, thinning);
}

export interface SearchContext {
  readonly request: SetupRequest;
  readonly values: CoatingValues;
  readonly fluid: LineFluid;
  /** Wet film laid at a time. */
  readonly wetPerPass: Length;
  /** Passes in which one coat is laid so that none is over the sag limit. */
  readonly passes: number;
}

export function coatingMesh({ archetype }: Coating): 30 | 60 | 100 {
  return archetypeOf(archetype).mesh;
}

/** Orifices at or below this want the finest filter. */
const FINE_ORIFICE = of(0.011, 'in');

/** Gun filter mesh: the coating's, or 100 for an orifice of 11 thou or finer. */
export function meshFor(coatingsMesh: number, orifice: Length): number {
  return orifice <= FINE_ORIFICE * (1 + 1e-9) ? 100 : coatingsMesh;
}

/** Share of the paint that lands on this piece, as the formulas take it. */
export function transferInput({ element, side, wind }: SetupRequest): Input {
  const { likely, low, high } = transferEfficiency(element, side, wind);
  return workingDefault(
    'Transfer efficiency',
    'percent',
    likely,
    low,
    high,
    'Working default for this piece',
  );
}
