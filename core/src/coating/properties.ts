import type { Input } from '../explain';
import { of, refuse, within, type Bounds, type DisplayKind, type Result, type UnitSystem } from '../units';
import { archetypeOf, type CoatingProperty, type CoatingValues } from './archetypes';
import type { Coating, CoatingSheet } from './coating';
import { TURNED_RANGE, bySheet, checkSheet } from './sheet';

interface PropertyData {
  readonly label: string;
  readonly kind: DisplayKind;
  /** What a data sheet could say at all; outside it a value is a slip of the hand. */
  readonly bounds: Bounds;
  /** Half-width of the range, relative to the value, by what the value stands on. */
  readonly range: { readonly default: number; readonly 'data-sheet': number };
}

/**
 * The properties in the order people read them. Ranges of the working defaults are judgement of how far
 * coatings of one kind differ; those of data sheet values are what makers commonly allow themselves.
 */
export const COATING_PROPERTIES: Readonly<Record<CoatingProperty, PropertyData>> = {
  volumeSolids: {
    label: 'Volume solids',
    kind: 'percent',
    bounds: { min: 0.03, max: 1 },
    range: { default: 0.1, 'data-sheet': 0.03 },
  },
  dryFilm: {
    label: 'Dry film for one coat',
    kind: 'dryFilm',
    bounds: { min: of(5, 'μm'), max: of(2000, 'μm') },
    range: { default: 0, 'data-sheet': 0 },
  },
  sagLimit: {
    label: 'Sag limit, wet',
    kind: 'wetFilm',
    bounds: { min: of(20, 'μm'), max: of(5000, 'μm') },
    range: { default: 0.25, 'data-sheet': 0.1 },
  },
  thinningLimit: {
    label: 'Thinning limit',
    kind: 'percent',
    bounds: { min: 0, max: 0.5 },
    range: { default: 0, 'data-sheet': 0 },
  },
  density: {
    label: 'Density',
    kind: 'density',
    bounds: { min: of(0.6, 'kg/L'), max: of(3, 'kg/L') },
    range: { default: 0.06, 'data-sheet': 0.02 },
  },
  viscosityLowShear: {
    label: 'Viscosity at 100 1/s',
    kind: 'viscosity',
    bounds: { min: 0.005, max: 50 },
    range: { default: 0.4, 'data-sheet': 0.15 },
  },
  viscosityHighShear: {
    label: 'Viscosity at 10,000 1/s',
    kind: 'viscosity',
    bounds: { min: 0.001, max: 5 },
    range: { default: 0.35, 'data-sheet': 0.15 },
  },
  recoatTime: {
    label: 'Recoat after, at 23 °C',
    kind: 'duration',
    bounds: { min: of(0.1, 'h'), max: of(1000, 'h') },
    range: { default: 0.3, 'data-sheet': 0.1 },
  },
  minimumTemperature: {
    label: 'Lowest temperature',
    kind: 'temperature',
    bounds: { min: of(-20, '°C'), max: of(40, '°C') },
    range: { default: 0, 'data-sheet': 0 },
  },
};

export const COATING_PROPERTY_NAMES = Object.keys(COATING_PROPERTIES) as [
  CoatingProperty,
  ...CoatingProperty[],
];

/** One property of a coating with its range and what it stands on. */
export function coatingInput(coating: Coating, property: CoatingProperty): Input {
  const { label, kind, range } = COATING_PROPERTIES[property];
  const turned = bySheet(coating, property);
  const override = coating.overrides[property] ?? turned;
  const value = override?.value ?? archetypeOf(coating.archetype).values[property];
  const basis = override?.basis ?? 'default';
  const sheet = turned && property !== 'dryFilm' ? TURNED_RANGE : range['data-sheet'];
  const half = value * (basis === 'default' ? range.default : sheet);
  const top = kind === 'percent' ? 1 : Infinity;
  return {
    label,
    kind,
    value,
    low: value - half,
    high: Math.min(top, value + half),
    basis,
    source: override?.source ?? `Working default for ${archetypeOf(coating.archetype).name.toLowerCase()}`,
    property,
  };
}

/** All numeric values of a coating: data sheet where given, working default elsewhere. */
export function coatingValues(coating: Coating): CoatingValues {
  return Object.fromEntries(
    COATING_PROPERTY_NAMES.map((name) => [name, coatingInput(coating, name).value]),
  ) as unknown as CoatingValues;
}

const SHEET_LABELS: Readonly<Record<keyof CoatingSheet, string>> = {
  spreadingRate: 'Spreading rate',
  viscosity: 'Viscosity',
  orifice: 'Orifice',
  pressure: 'Pressure',
  recoatLatest: 'Latest recoat',
  wear: 'What to wear',
};

/** What of a coating its maker's sheet says, by name; the rest is a working default. */
export function sheetSays({ overrides, sheet = {} }: Coating): readonly string[] {
  const given = COATING_PROPERTY_NAMES.filter((name) => overrides[name] !== undefined);
  const said = (Object.keys(SHEET_LABELS) as (keyof CoatingSheet)[]).filter(
    (name) => sheet[name] !== undefined,
  );
  return [...given.map((name) => COATING_PROPERTIES[name].label), ...said.map((name) => SHEET_LABELS[name])];
}

/** Checks a value typed for a property; the sentence names the limits in the user's units. */
export function checkCoatingValue(
  property: CoatingProperty,
  value: number,
  system: UnitSystem,
  field: string = property,
): Result<number> {
  const { bounds, kind, label } = COATING_PROPERTIES[property];
  return within(value, bounds, kind, system, field, label);
}

/** A coating as a whole: paint must not be thicker at high shear than at low shear. */
export function checkCoating(coating: Coating, system: UnitSystem = 'metric'): Result<Coating> {
  for (const property of COATING_PROPERTY_NAMES) {
    const value = coating.overrides[property]?.value;
    if (value === undefined) continue;
    const checked = checkCoatingValue(property, value, system, `overrides.${property}.value`);
    if (!checked.ok) return checked;
  }
  const sheet = checkSheet(coating, system);
  if (!sheet.ok) return sheet;
  const { viscosityLowShear, viscosityHighShear } = coatingValues(coating);
  if (viscosityHighShear > viscosityLowShear) {
    const field = coating.overrides.viscosityHighShear ? 'viscosityHighShear' : 'viscosityLowShear';
    return refuse(
      'coating.viscosity',
      `overrides.${field}.value`,
      `Viscosity at 10,000 1/s (${viscosityHighShear} Pa·s) cannot be above the one at 100 1/s (${viscosityLowShear} Pa·s). Check which reading is which.`,
    );
  }
  return { ok: true, value: coating };
}
