import type { Dimension, Quantity } from './quantity';

interface UnitDefinition<D extends Dimension> {
  readonly dimension: D;
  /** SI value of one unit. */
  readonly factor: number;
  /** SI value of zero of this unit (temperatures only). */
  readonly offset: number;
}

function unit<D extends Dimension>(dimension: D, factor: number, offset = 0): UnitDefinition<D> {
  return { dimension, factor, offset };
}

const FOOT = 0.3048;
const INCH = 0.0254;
const US_GALLON = 3.785411784e-3;
const PSI = 6894.757293168;
const POUND = 0.45359237;

/** Every unit the product reads or shows. Factors are the exact legal definitions (BIPM, NIST SP 811). */
export const UNITS = {
  m: unit('length', 1),
  mm: unit('length', 1e-3),
  μm: unit('length', 1e-6),
  ft: unit('length', FOOT),
  in: unit('length', INCH),
  mil: unit('length', INCH / 1000),
  // Paint spread over an area is a height: 1 L/m² is 1 mm.
  'L/m²': unit('length', 1e-3),
  'gal/100 ft²': unit('length', US_GALLON / (100 * FOOT * FOOT)),
  'm²': unit('area', 1),
  'ft²': unit('area', FOOT * FOOT),
  'm³': unit('volume', 1),
  L: unit('volume', 1e-3),
  mL: unit('volume', 1e-6),
  gal: unit('volume', US_GALLON),
  'fl oz': unit('volume', US_GALLON / 128),
  'L/min': unit('flow', 1e-3 / 60),
  'gal/min': unit('flow', US_GALLON / 60),
  Pa: unit('pressure', 1),
  bar: unit('pressure', 1e5),
  MPa: unit('pressure', 1e6),
  psi: unit('pressure', PSI),
  'Pa·s': unit('viscosity', 1),
  'mm²/s': unit('kinematic', 1e-6),
  'kg/m³': unit('density', 1),
  'kg/L': unit('density', 1000),
  'lb/gal': unit('density', POUND / US_GALLON),
  s: unit('time', 1),
  min: unit('time', 60),
  h: unit('time', 3600),
  'm/s': unit('speed', 1),
  'ft/s': unit('speed', FOOT),
  'm/h': unit('speed', 1 / 3600),
  'ft/h': unit('speed', FOOT / 3600),
  'm²/h': unit('areaRate', 1 / 3600),
  'ft²/h': unit('areaRate', (FOOT * FOOT) / 3600),
  'min/m²': unit('timePerArea', 60),
  'min/100 ft²': unit('timePerArea', 60 / (100 * FOOT * FOOT)),
  mph: unit('speed', (5280 * FOOT) / 3600),
  'm²/L': unit('spreading', 1000),
  'ft²/gal': unit('spreading', (FOOT * FOOT) / US_GALLON),
  '°C': unit('temperature', 1, 273.15),
  '°F': unit('temperature', 5 / 9, 459.67 * (5 / 9)),
  // Differences of temperature: no offset. "3 C°" above the dew point is 5.4 F°.
  'C°': unit('temperatureDifference', 1),
  'F°': unit('temperatureDifference', 5 / 9),
  K: unit('temperatureDifference', 1),
  '%': unit('fraction', 0.01),
  '×': unit('fraction', 1),
  mesh: unit('fraction', 1),
  '': unit('fraction', 1),
} as const;

export type Unit = keyof typeof UNITS;
export type DimensionOf<U extends Unit> = (typeof UNITS)[U]['dimension'];

/** A value read in a unit, as an SI quantity. `of(150, 'bar')` is 15 000 000 Pa. */
export function of<U extends Unit>(value: number, name: U): Quantity<DimensionOf<U>> {
  const { factor, offset } = UNITS[name];
  return (value * factor + offset) as Quantity<DimensionOf<U>>;
}

/** An SI quantity as a plain number of a unit of the same dimension. */
export function to<U extends Unit>(value: Quantity<DimensionOf<U>>, name: U): number {
  const { factor, offset } = UNITS[name];
  return (value - offset) / factor;
}
