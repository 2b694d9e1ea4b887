import { DISPLAY, inUnit, unitOf, type DisplayKind, type UnitSystem } from './display';
import { accept, refuse, type Result } from './refusal';
import { UNITS, type Unit } from './unit';

const FEET_AND_INCHES =
  /^(?:(\d+(?:\.\d+)?)\s*(?:'|′|ft|feet|foot))?\s*(?:-?\s*(\d+(?:\.\d+)?)?(?:\s*(\d+)\/(\d+))?\s*(?:"|″|''|in|inch|inches))?$/i;

const PLAIN_NUMBER = /^([+-]?\d+(?:[.,]\d+)?|[+-]?[.,]\d+)\s*([^\d\s.,].*)?$/;

/** Thousands as we print them: "1,076", "12,345.5". */
const THOUSANDS = /^([+-]?[1-9]\d{0,2})((?:,\d{3})+)((?:\.\d+)?)(?=$|[^\d.,])/;
/** Kinds that reach thousands, and that nobody gives to three decimals. */
const REACH_THOUSANDS: ReadonlySet<DisplayKind> = new Set([
  'area',
  'pressure',
  'count',
  'run',
  'reach',
  'price',
]);

/**
 * A number as we print it, without the marks between its thousands. A comma is that in US numbers, where there are several, before a
 * point, and for kinds that reach thousands; elsewhere one may be a decimal comma.
 */
function withoutThousands(text: string, kind: DisplayKind, system: UnitSystem): string {
  const found = THOUSANDS.exec(text);
  if (!found) return text;
  const [whole = '', head = '', groups = '', fraction = ''] = found;
  const sure = system === 'us' || groups.length > 4 || fraction !== '' || REACH_THOUSANDS.has(kind);
  return sure ? `${head}${groups.replaceAll(',', '')}${fraction}${text.slice(whole.length)}` : text;
}

/** Written forms people type for the units we know. */
const SPELLINGS: Readonly<Record<string, Unit>> = {
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  um: 'μm',
  // The micro sign of keyboards; we write the Greek letter, which fonts carry more often.
  '\u00b5m': 'μm',
  l: 'L',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  liters: 'L',
  c: '°C',
  f: '°F',
  mpa: 'MPa',
  pas: 'Pa·s',
  m2: 'm²',
  ft2: 'ft²',
};

function unitNamed(text: string): Unit | undefined {
  const name = text.trim();
  if (Object.hasOwn(UNITS, name)) return name as Unit;
  const lower = name.toLowerCase();
  if (Object.hasOwn(UNITS, lower)) return lower as Unit;
  return SPELLINGS[lower];
}

function feetAndInches(text: string): number | undefined {
  const match = FEET_AND_INCHES.exec(text);
  if (!match || match.slice(1).every((part) => part === undefined)) return undefined;
  const [, feet = '0', inches = '0', over = '0', under = '1'] = match;
  if (Number(under) === 0) return undefined;
  return (Number(feet) * 12 + Number(inches) + Number(over) / Number(under)) * UNITS.in.factor;
}

/**
 * Reads what a person typed for a number of some kind: a bare number in the unit of the current system,
 * a number with any unit of the same dimension ("2400 mm", "0,5 %"), or feet and inches (8' 6 1/2").
 * Returns the SI value, or a refusal with a sentence for the field.
 */
export function parseQuantity(
  text: string,
  kind: DisplayKind,
  system: UnitSystem,
  field: string,
  label: string,
): Result<number> {
  const trimmed = withoutThousands(text.trim().replace('−', '-'), kind, system);
  const usual = DISPLAY[kind][system].unit;
  if (trimmed === '') {
    return refuse('number.missing', field, `${label} is missing. Give it in ${usual}.`);
  }
  const dimension = UNITS[usual].dimension;
  if (dimension === 'length') {
    const length = feetAndInches(trimmed);
    if (length !== undefined) return accept(length);
  }
  const match = PLAIN_NUMBER.exec(trimmed);
  if (!match) {
    return refuse('number.unreadable', field, `${label} is not a number. Write it like 2.4 ${usual}.`);
  }
  const number = Number((match[1] ?? '').replace(',', '.'));
  const unit = match[2] === undefined ? usual : unitNamed(match[2]);
  if (unit === undefined || UNITS[unit].dimension !== dimension) {
    return refuse('number.unit', field, `${label} is in a unit that does not fit. Use ${usual}.`);
  }
  return accept(number * UNITS[unit].factor + UNITS[unit].offset);
}

export interface Bounds {
  readonly min: number;
  readonly max: number;
}

/** Refuses an SI value outside its bounds, naming both limits in the user's units. */
export function within(
  value: number,
  bounds: Bounds,
  kind: DisplayKind,
  system: UnitSystem,
  field: string,
  label: string,
): Result<number> {
  if (Number.isFinite(value) && value >= bounds.min && value <= bounds.max) return accept(value);
  const limit = (si: number) => exactText(si, kind, system);
  return refuse(
    'number.bounds',
    field,
    `${label} must be between ${limit(bounds.min)} and ${limit(bounds.max)}.`,
  );
}

/** A limit as text, to three figures and not rounded away to zero by the hand's step. */
function exactText(si: number, kind: DisplayKind, system: UnitSystem): string {
  return `${Number(inUnit(si, kind, system).toPrecision(3))} ${unitOf(kind, system)}`.trim();
}
