import {
  accept,
  of,
  quantity,
  refuse,
  showText,
  within,
  type Density,
  type Result,
  type UnitSystem,
} from '../units';
import { archetypeOf, type CoatingProperty } from './archetypes';
import type { Coating, CoatingOverride, CoatingSheet, SheetRange, SheetViscosity } from './coating';
import { CUPS, cupViscosity } from './cups';
import { temperatureFactor } from './rheology';

/** Where a value was read. */
export const SHEET = 'Data sheet';

/**
 * Krebs units as viscosity: the two standard oils a paddle viscometer is set by, 0.4 Pa·s at 70 KU and 1.4 Pa·s at 95 KU (ASTM D562,
 * 25 °C; to be checked against the edition in force), and the straight line of ln η through them.
 */
const KREBS = {
  from: { units: 70, viscosity: 0.4 },
  to: { units: 95, viscosity: 1.4 },
  /** The scale of the standard. */
  limits: { min: 53, max: 141 },
  at: of(25, '°C'),
} as const;

/** What a sheet may say: beyond it is a slip of the hand. SI, but thou for the orifice and the sheet's own units for KU. */
export const SHEET_LIMITS = {
  orifice: { min: 5, max: 60 },
  pressure: { min: of(5, 'bar'), max: of(500, 'bar') },
  spreadingRate: { min: of(1, 'm²/L'), max: of(60, 'm²/L') },
  recoatLatest: { min: of(1, 'h'), max: of(10_000, 'h') },
  viscosity: { min: 0.005, max: 50 },
  krebs: KREBS.limits,
} as const;

/** How far a viscosity may be off that was turned from another measure: straight line, unknown shear rate, cup against cup. */
export const TURNED_RANGE = 0.25;

/** Viscosity at 100 1/s and 23 °C of a paint of so many Krebs units, Pa·s. 97.7 KU are 1.70. */
export function krebsViscosity(units: number): Result<number> {
  const { from, to, limits, at } = KREBS;
  if (!(units >= limits.min && units <= limits.max)) {
    return refuse(
      'krebs.scale',
      'sheet.viscosity.value',
      `Krebs units go from ${limits.min} to ${limits.max}. Is it another unit?`,
    );
  }
  const slope = Math.log(to.viscosity / from.viscosity) / (to.units - from.units);
  const at25 = from.viscosity * Math.exp(slope * (units - from.units));
  return accept(at25 / temperatureFactor(at));
}

/** What the sheet says of the thickness, in its own words: "98 KU". */
export function sheetViscosityText(viscosity: SheetViscosity): string {
  const { value } = viscosity;
  if (viscosity.as === 'cup') return `${value} s, ${CUPS[viscosity.cup].name}`;
  return `${value} ${viscosity.as}`;
}

/** Viscosity at 100 1/s by the sheet, Pa·s. Cup seconds are taken at 23 °C, centipoise at about that shear rate. */
export function sheetViscosity(
  viscosity: SheetViscosity,
  density: Density,
  system: UnitSystem = 'metric',
): Result<number> {
  const field = 'sheet.viscosity.value';
  if (viscosity.as === 'KU') return krebsViscosity(viscosity.value);
  if (viscosity.as === 'cP') {
    const checked = within(
      viscosity.value / 1000,
      SHEET_LIMITS.viscosity,
      'viscosity',
      system,
      field,
      'Viscosity',
    );
    return checked.ok ? accept(checked.value) : checked;
  }
  const read = cupViscosity(viscosity.cup, viscosity.value, system);
  return read.ok ? accept(read.value.value.value * density) : { ...read, field };
}

/** The density a coating is taken with, before anything else is asked of it. */
const densityOf = ({ archetype, overrides }: Coating): Density =>
  quantity<Density>(overrides.density?.value ?? archetypeOf(archetype).values.density);

/** What the sheet gives for a property in other words than its own: the film by spreading rate and solids, the viscosity by KU. */
export function bySheet(coating: Coating, property: CoatingProperty): CoatingOverride | undefined {
  const { sheet, overrides, archetype } = coating;
  if (!sheet || overrides[property]) return undefined;
  if (property === 'dryFilm' && sheet.spreadingRate !== undefined) {
    const solids = overrides.volumeSolids?.value ?? archetypeOf(archetype).values.volumeSolids;
    const rate = showText(sheet.spreadingRate, 'spreading', 'metric');
    return { value: solids / sheet.spreadingRate, basis: 'data-sheet', source: `${SHEET}: ${rate}` };
  }
  if (property === 'viscosityLowShear' && sheet.viscosity) {
    const read = sheetViscosity(sheet.viscosity, densityOf(coating));
    if (!read.ok) return undefined;
    return {
      value: read.value,
      basis: 'data-sheet',
      source: `${SHEET}: ${sheetViscosityText(sheet.viscosity)}`,
    };
  }
  if (property === 'viscosityHighShear' && sheet.viscosity && !overrides.viscosityLowShear) {
    // Nothing is said of it: paint that is so much thicker at rest is taken as so much thicker in the tip.
    const low = bySheet(coating, 'viscosityLowShear');
    const { viscosityLowShear, viscosityHighShear } = archetypeOf(archetype).values;
    if (!low) return undefined;
    return {
      value: viscosityHighShear * (low.value / viscosityLowShear),
      basis: 'data-sheet',
      source: `${low.source}, and as this kind of paint thins in the tip`,
    };
  }
  return undefined;
}

/** How far dry film, solids and spreading rate of one sheet may differ before somebody is told. */
const AGREES = 0.08;

/** Whether the sheet's spreading rate is another one than its solids and film give: usually the practical one. */
export function sheetDisagrees(coating: Coating, system: UnitSystem = 'metric'): string | undefined {
  const { sheet, overrides, archetype } = coating;
  const film = overrides.dryFilm?.value;
  if (sheet?.spreadingRate === undefined || film === undefined) return undefined;
  const solids = overrides.volumeSolids?.value ?? archetypeOf(archetype).values.volumeSolids;
  const rate = solids / film;
  if (Math.abs(sheet.spreadingRate / rate - 1) <= AGREES) return undefined;
  const text = (value: number) => showText(value, 'spreading', system);
  const less = sheet.spreadingRate < rate;
  return `Solids and film give ${text(rate)}, the sheet says ${text(sheet.spreadingRate)}. ${less ? 'It may be the practical rate, with losses in it: they are counted by themselves here.' : 'One of the three was read from another line.'} The film stands.`;
}

const rangeChecks = [
  ['orifice', 'Orifice'],
  ['pressure', 'Pressure'],
] as const;

/** What of a sheet cannot be: ranges the wrong way round, units off their scale. */
export function checkSheet(coating: Coating, system: UnitSystem = 'metric'): Result<CoatingSheet> {
  const sheet = coating.sheet ?? {};
  for (const [name, label] of rangeChecks) {
    const range = sheet[name];
    const limits = SHEET_LIMITS[name];
    if (!range) continue;
    for (const end of ['low', 'high'] as const) {
      const field = `sheet.${name}.${end}`;
      if (name === 'orifice') {
        if (range[end] >= limits.min && range[end] <= limits.max) continue;
        return refuse('sheet.orifice', field, `An orifice is between ${limits.min} and ${limits.max} thou.`);
      }
      const checked = within(range[end], limits, 'pressure', system, field, label);
      if (!checked.ok) return checked;
    }
    if (range.low > range.high) {
      return refuse('sheet.range', `sheet.${name}.high`, `${label}: the second number is the larger one.`);
    }
  }
  if (sheet.spreadingRate !== undefined) {
    const rate = within(
      sheet.spreadingRate,
      SHEET_LIMITS.spreadingRate,
      'spreading',
      system,
      'sheet.spreadingRate',
      'Spreading rate',
    );
    if (!rate.ok) return rate;
  }
  if (sheet.viscosity) {
    const read = sheetViscosity(sheet.viscosity, densityOf(coating), system);
    if (!read.ok) return read;
  }
  if (sheet.recoatLatest !== undefined) {
    const latest = within(
      sheet.recoatLatest,
      SHEET_LIMITS.recoatLatest,
      'duration',
      system,
      'sheet.recoatLatest',
      'Latest recoat',
    );
    if (!latest.ok) return latest;
    const first = coating.overrides.recoatTime?.value ?? archetypeOf(coating.archetype).values.recoatTime;
    if (sheet.recoatLatest <= first) {
      return refuse(
        'sheet.recoat',
        'sheet.recoatLatest',
        `The latest recoat is after the first, ${showText(first, 'duration', system)}.`,
      );
    }
  }
  return accept(sheet);
}

/** Orifices for a coating, thou: the sheet's, else what is usual for its kind. */
export const orificesOf = ({ sheet, archetype }: Coating): SheetRange =>
  sheet?.orifice ?? archetypeOf(archetype).orifices;
