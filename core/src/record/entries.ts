import type { CombInterval } from '../film';
import type { Element, Side, Wind } from '../takeoff';
import type { Tip, TipFamily } from '../tip';
import type { Fraction, Length, Pressure, Temperature, Viscosity, Volume } from '../units';

/** What every entry of the site log carries. Times are milliseconds since 1970, as the device had them. */
export interface EntryHead {
  readonly id: string;
  readonly at: number;
  readonly author: string;
  /** The entry this one corrects; both stay in the log. */
  readonly replaces?: string;
}

/** What is known of a painted surface when it is logged. */
export interface LoggedSurface {
  readonly surface: string;
  readonly coating: string;
  readonly coat: number;
}

export interface Sprayed extends EntryHead, LoggedSurface {
  readonly kind: 'sprayed';
  readonly tip: string;
  /** Through the gun, thinner in it. */
  readonly volume: Volume;
}

export interface CoatFinished extends EntryHead, LoggedSurface {
  readonly kind: 'coat finished';
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
  /** Net area times texture, m². */
  readonly trueArea: number;
  readonly temperature: Temperature;
  readonly humidity: Fraction;
}

export interface CombLogged extends EntryHead, LoggedSurface {
  readonly kind: 'comb';
  readonly readings: readonly CombInterval[];
  readonly thinner: Fraction;
}

export interface DryGauge extends EntryHead {
  readonly kind: 'dry gauge';
  readonly surface: string;
  /** Film of all coats by a dry film gauge. */
  readonly dry: Length;
}

export interface TipFitted extends EntryHead {
  readonly kind: 'tip fitted';
  readonly tip: string;
  readonly code: Tip;
}

export interface FanMeasured extends EntryHead {
  readonly kind: 'fan measured';
  readonly tip: string;
  readonly width: Length;
}

export interface TipRetired extends EntryHead {
  readonly kind: 'tip retired';
  readonly tip: string;
}

export interface ViscosityLogged extends EntryHead {
  readonly kind: 'viscosity';
  readonly coating: string;
  readonly viscosity: Viscosity;
  readonly temperature: Temperature;
  readonly thinner: Fraction;
}

export interface SetupConfirmed extends EntryHead {
  readonly kind: 'set-up confirmed';
  readonly surface: string;
  readonly coating: string;
  readonly family: TipFamily;
  /** Gun pressure of the even fan, and what the heuristic had said. */
  readonly pressure: Pressure;
  readonly expected: Pressure;
}

export type LogEntry =
  | Sprayed
  | CoatFinished
  | CombLogged
  | DryGauge
  | TipFitted
  | FanMeasured
  | TipRetired
  | ViscosityLogged
  | SetupConfirmed;

export type EntryKind = LogEntry['kind'];

/**
 * The entries that hold: those no other replaces, in the order of their time (then of their id, so that two devices
 * agree). A correction of a correction holds alone; one that names an unknown entry holds as it is.
 */
export function currentEntries(log: readonly LogEntry[]): readonly LogEntry[] {
  const replaced = new Set(log.map(({ replaces }) => replaces));
  return log
    .filter(({ id }) => !replaced.has(id))
    .sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
}

/** The current entries of one kind. */
export function entriesOf<K extends EntryKind>(
  log: readonly LogEntry[],
  kind: K,
): readonly Extract<LogEntry, { kind: K }>[] {
  return currentEntries(log).filter((entry): entry is Extract<LogEntry, { kind: K }> => entry.kind === kind);
}
