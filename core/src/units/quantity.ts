/**
 * A physical quantity: a plain number in SI units that carries its dimension in its type,
 * so that a pressure cannot be passed where a length is wanted. Arithmetic gives plain numbers back;
 * `quantity` puts the brand on again once a formula has produced its result.
 */
declare const dimension: unique symbol;

export type Dimension =
  | 'length'
  | 'area'
  | 'volume'
  | 'flow'
  | 'pressure'
  | 'viscosity'
  | 'kinematic'
  | 'density'
  | 'time'
  | 'speed'
  | 'areaRate'
  | 'timePerArea'
  | 'spreading'
  | 'temperature'
  | 'temperatureDifference'
  | 'fraction';

export type Quantity<D extends Dimension> = number & { readonly [dimension]: D };

export type Length = Quantity<'length'>;
export type Area = Quantity<'area'>;
export type Volume = Quantity<'volume'>;
export type Flow = Quantity<'flow'>;
export type Pressure = Quantity<'pressure'>;
export type Viscosity = Quantity<'viscosity'>;
export type KinematicViscosity = Quantity<'kinematic'>;
export type Density = Quantity<'density'>;
export type Time = Quantity<'time'>;
export type Speed = Quantity<'speed'>;
export type SpreadingRate = Quantity<'spreading'>;
export type Temperature = Quantity<'temperature'>;
export type TemperatureDifference = Quantity<'temperatureDifference'>;
export type Fraction = Quantity<'fraction'>;

/** Marks a number that is already in SI units as a quantity of the dimension the caller expects. */
export function quantity<Q extends Quantity<Dimension>>(si: number): Q {
  return si as Q;
}
