import { UNITS, type Unit } from './unit';

export type UnitSystem = 'metric' | 'us';

/** How one kind of number is shown: its unit and the step a hand can set or read, by size. */
interface Scale {
  readonly unit: Unit;
  /** [up to this value, in this step]; the last entry holds for everything above. */
  readonly steps: readonly (readonly [number, number])[];
}

const fixed = (unit: Unit, step: number): Scale => ({ unit, steps: [[Infinity, step]] });

/**
 * The kinds of number a painter sees. Steps follow product.md: 50 psi / 5 bar, 0.5 mil / 5 μm wet,
 * half seconds; a dry-film gauge reads 1 μm / 0.1 mil.
 */
export const DISPLAY = {
  pressure: { metric: fixed('bar', 5), us: fixed('psi', 50) },
  wetFilm: { metric: fixed('μm', 5), us: fixed('mil', 0.5) },
  dryFilm: { metric: fixed('μm', 1), us: fixed('mil', 0.1) },
  fanWidth: { metric: fixed('mm', 1), us: fixed('in', 0.5) },
  distance: { metric: fixed('mm', 50), us: fixed('in', 1) },
  orifice: { metric: fixed('mm', 0.01), us: fixed('in', 0.001) },
  size: { metric: fixed('m', 0.01), us: fixed('ft', 0.01) },
  hoseLength: { metric: fixed('m', 0.5), us: fixed('ft', 1) },
  bore: { metric: fixed('mm', 0.1), us: fixed('in', 0.01) },
  area: { metric: fixed('m²', 0.1), us: fixed('ft²', 1) },
  volume: {
    metric: {
      unit: 'L',
      steps: [
        [2, 0.1],
        [10, 0.5],
        [Infinity, 1],
      ],
    },
    us: {
      unit: 'gal',
      steps: [
        [1, 0.05],
        [5, 0.25],
        [Infinity, 0.5],
      ],
    },
  },
  /** Paint over an area. */
  laid: { metric: fixed('L/m²', 0.001), us: fixed('gal/100 ft²', 0.01) },
  flow: { metric: fixed('L/min', 0.05), us: fixed('gal/min', 0.01) },
  time: { metric: fixed('s', 0.5), us: fixed('s', 0.5) },
  duration: { metric: fixed('h', 0.5), us: fixed('h', 0.5) },
  trigger: { metric: fixed('min', 1), us: fixed('min', 1) },
  speed: { metric: fixed('m/s', 0.05), us: fixed('ft/s', 0.1) },
  /** How fast somebody works along a line, and over an area; how long for an area. */
  lineRate: { metric: fixed('m/h', 1), us: fixed('ft/h', 5) },
  areaRate: { metric: fixed('m²/h', 1), us: fixed('ft²/h', 10) },
  perArea: { metric: fixed('min/m²', 0.05), us: fixed('min/100 ft²', 0.5) },
  minutes: { metric: fixed('min', 0.5), us: fixed('min', 0.5) },
  spreading: { metric: fixed('m²/L', 0.1), us: fixed('ft²/gal', 5) },
  viscosity: { metric: fixed('Pa·s', 0.01), us: fixed('Pa·s', 0.01) },
  slope: { metric: fixed('', 0.1), us: fixed('', 0.1) },
  temperatureSlope: { metric: fixed('K', 50), us: fixed('K', 50) },
  millilitres: { metric: fixed('mL', 10), us: fixed('fl oz', 0.5) },
  kinematic: { metric: fixed('mm²/s', 1), us: fixed('mm²/s', 1) },
  density: { metric: fixed('kg/L', 0.01), us: fixed('lb/gal', 0.1) },
  temperature: { metric: fixed('°C', 1), us: fixed('°F', 1) },
  temperatureMargin: { metric: fixed('C°', 0.5), us: fixed('F°', 1) },
  wind: { metric: fixed('m/s', 0.5), us: fixed('mph', 1) },
  /** Length bought by the roll. */
  run: { metric: fixed('m', 1), us: fixed('ft', 5) },
  reach: { metric: fixed('m', 1), us: fixed('ft', 5) },
  percent: { metric: fixed('%', 1), us: fixed('%', 1) },
  mesh: { metric: fixed('mesh', 1), us: fixed('mesh', 1) },
  price: { metric: fixed('', 0.01), us: fixed('', 0.01) },
  count: { metric: fixed('', 1), us: fixed('', 1) },
  /** Lives of a tip. */
  tips: { metric: fixed('', 0.1), us: fixed('', 0.1) },
  factor: { metric: fixed('×', 0.01), us: fixed('×', 0.01) },
} as const satisfies Record<string, Record<UnitSystem, Scale>>;

export type DisplayKind = keyof typeof DISPLAY;

export interface Shown {
  readonly number: string;
  readonly unit: Unit;
}

const decimals = new Map<number, number>();

/** The number of decimals a step needs: 0.25 needs two, 50 none. Steps are few, so each is worked out once. */
function decimalsOf(step: number): number {
  const known = decimals.get(step);
  if (known !== undefined) return known;
  const text = String(step);
  const dot = text.indexOf('.');
  const count = dot < 0 ? 0 : text.length - dot - 1;
  decimals.set(step, count);
  return count;
}

function stepFor(scale: Scale, size: number): number {
  const found = scale.steps.find(([limit]) => size <= limit);
  return found ? found[1] : 1;
}

/** The unit in which a kind of number is shown or typed. */
export function unitOf(kind: DisplayKind, system: UnitSystem): Unit {
  return DISPLAY[kind][system].unit;
}

/** An SI value in the unit of its kind, unrounded: what an input field starts from. */
export function inUnit(value: number, kind: DisplayKind, system: UnitSystem): number {
  const { factor, offset } = UNITS[unitOf(kind, system)];
  return (value - offset) / factor;
}

/** Rounds an SI value to the step a hand can set or read, in the unit of its kind. */
export function roundedInUnit(value: number, kind: DisplayKind, system: UnitSystem): number {
  const exact = inUnit(value, kind, system);
  const step = stepFor(DISPLAY[kind][system], Math.abs(exact));
  return Number((Math.round(exact / step) * step).toFixed(decimalsOf(step)));
}

/** Groups thousands with a comma; the decimal sign is a point in both systems. */
function grouped(text: string): string {
  const [whole = '', fraction] = text.split('.');
  const withCommas = whole.length > 3 ? whole.replace(/\B(?=(\d{3})+$)/g, ',') : whole;
  return fraction === undefined ? withCommas : `${withCommas}.${fraction}`;
}

/** A number without a unit as text for people: "1,000", "2.5"; to a thousandth. */
export const numberText = (value: number): string => grouped(String(Number(value.toFixed(3))));

/**
 * An SI value as text for people: rounded to the hand's step and with its unit.
 * A value that is not finite is shown as a dash: the caller should have refused before.
 */
export function show(value: number, kind: DisplayKind, system: UnitSystem): Shown {
  const unit = unitOf(kind, system);
  if (!Number.isFinite(value)) return { number: '–', unit };
  const exact = Math.abs(inUnit(value, kind, system));
  const step = stepFor(DISPLAY[kind][system], exact);
  const rounded = roundedInUnit(value, kind, system);
  const places = decimalsOf(step);
  const text = Math.abs(rounded).toFixed(places);
  return { number: (rounded < 0 ? '−' : '') + grouped(trimHalf(text, step)), unit };
}

/** Drops a trailing ".0": half steps read better as "4" and "4.5" than as "4.0". */
function trimHalf(text: string, step: number): string {
  return step === 0.5 ? text.replace(/\.0$/, '') : text;
}

/** `show` joined into one string: "150 bar". */
export function showText(value: number, kind: DisplayKind, system: UnitSystem): string {
  const { number, unit } = show(value, kind, system);
  return unit === '×' ? `${number}×` : `${number} ${unit}`.trim();
}

/** Decimals of a number that is shown as it was written, by its size: three figures at least. */
const FIGURES = [
  [100, 0],
  [10, 1],
  [1, 2],
] as const;
/** A number typed in this unit has no more decimals than this. */
const TYPED = 3;

/**
 * An SI value that was measured or typed, as text: in this unit as it was typed where it was typed in it, else to three figures.
 * It is not rounded to the step of a hand: that was done when it was read.
 */
export function showWritten(value: number, kind: DisplayKind, system: UnitSystem): string {
  const unit = unitOf(kind, system);
  if (!Number.isFinite(value)) return `– ${unit}`.trim();
  const exact = inUnit(value, kind, system);
  const size = Math.abs(exact);
  const typed = Number(exact.toFixed(TYPED));
  // Within what a change of units and back costs, it was typed here.
  const isTyped = Math.abs(typed - exact) <= 1e-9 * Math.max(1, size);
  const places = FIGURES.find(([least]) => size >= least)?.[1] ?? TYPED;
  const shown = isTyped ? typed : Number(exact.toFixed(places));
  const text = `${shown < 0 ? '−' : ''}${grouped(String(Math.abs(shown)))}`;
  return unit === '×' ? `${text}×` : `${text} ${unit}`.trim();
}

/** A range "140–170 bar"; collapses to one number when both ends round alike. */
export function showRange(low: number, high: number, kind: DisplayKind, system: UnitSystem): string {
  const a = show(low, kind, system);
  const b = show(high, kind, system);
  if (a.number === b.number) return showText(low, kind, system);
  return b.unit === '×' ? `${a.number}–${b.number}×` : `${a.number}–${b.number} ${b.unit}`.trim();
}

/** A number of things: "1 surface", "12 surfaces". */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/**
 * What stands small beside a number: the shown one in the other units, so that one number on the screen has one beside it, wherever it
 * came from.
 */
export function showBeside(value: number, kind: DisplayKind, system: UnitSystem): string {
  return showText(asShown(value, kind, system), kind, otherSystem(system));
}

/** The range that stands small beside a range. */
export function rangeBeside(low: number, high: number, kind: DisplayKind, system: UnitSystem): string {
  return showRange(asShown(low, kind, system), asShown(high, kind, system), kind, otherSystem(system));
}

/** A value as it is shown, in SI. */
function asShown(value: number, kind: DisplayKind, system: UnitSystem): number {
  if (!Number.isFinite(value)) return value;
  const { factor, offset } = UNITS[unitOf(kind, system)];
  return roundedInUnit(value, kind, system) * factor + offset;
}

/** The other unit system: the small number beside the large one. */
export function otherSystem(system: UnitSystem): UnitSystem {
  return system === 'metric' ? 'us' : 'metric';
}
