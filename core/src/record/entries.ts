import type { ViscosityReading } from '../coating';
import type { CombInterval } from '../film';
import type { Timed } from '../grouping';
import type { KindOfWork } from '../quantities/work';
import type { Element, Side, Wind } from '../takeoff';
import type { AbrasionClass, Tip, TipFamily } from '../tip';
import type { Fraction, Length, Pressure, Speed, Temperature, Volume } from '../units';

/** What every entry of the site log carries. */
export interface EntryHead extends Timed {
  /** As the device had it, put right where its clock was known to be wrong. */
  readonly at: number;
  readonly author: string;
  /** The job it belongs to; missing for what was done without one. */
  readonly job?: string | undefined;
  /** The entry this one corrects or takes back; both stay in the log. */
  readonly replaces?: string | undefined;
  /** It takes that back. */
  readonly takesBack?: boolean | undefined;
  /** Its place in the order of the server, ms; later than all others where the server has not seen it. */
  readonly stored?: number | undefined;
}

/** What is known of a painted surface when it is logged. */
export interface LoggedSurface {
  readonly surface: string;
  readonly coating: string;
  /** Counted for this coating on this surface, from 1. */
  readonly coat: number;
}

export interface Sprayed extends EntryHead, LoggedSurface {
  readonly kind: 'sprayed';
  /** A tip of the kit; missing where nobody said which. */
  readonly tip?: string | undefined;
  /** Through the gun, thinner in it. */
  readonly volume: Volume;
  /** How hard that paint is on a tip; missing where it was not written down. */
  readonly abrasion?: AbrasionClass | undefined;
  /** Read off the containers; where it is false it may only repeat the plan. */
  readonly counted?: boolean | undefined;
}

/** Paint that was used beside the coats: touched up with, or sprayed where nobody said on what. */
export interface PaintUsed extends EntryHead {
  readonly kind: 'used';
  readonly on: 'touch-up' | 'no surface';
  readonly surface?: string | undefined;
  readonly coating: string;
  readonly tip?: string | undefined;
  readonly volume: Volume;
  readonly abrasion?: AbrasionClass | undefined;
}

/** Ways paint leaves a job without being used. */
export const WAYS_OUT = ['given back', 'taken to another job', 'poured away'] as const;

export interface PaintOut extends EntryHead {
  readonly kind: 'paint out';
  readonly how: (typeof WAYS_OUT)[number];
  readonly coating: string;
  /** As it was sold. */
  readonly volume: Volume;
}

export interface CoatStarted extends EntryHead, LoggedSurface {
  readonly kind: 'coat started';
}

export interface CoatFinished extends EntryHead, LoggedSurface {
  readonly kind: 'coat finished';
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
  /** What was finished of it then: net area times texture, m². */
  readonly trueArea: number;
  /** All of the coat by the plan of then, m²; missing where it was not written down. */
  readonly whole?: number | undefined;
  /** What of its paint soaked in, by the plan. */
  readonly absorbed?: Volume | undefined;
  /** Share of the fan that was over it, by the plan of passes of then; missing where it was not written down. */
  readonly over?: Fraction | undefined;
  readonly temperature: Temperature;
  readonly humidity: Fraction;
}

export interface CombLogged extends EntryHead, LoggedSurface {
  readonly kind: 'comb';
  readonly readings: readonly CombInterval[];
  readonly thinner: Fraction;
  readonly element?: Element | undefined;
  readonly family?: TipFamily | undefined;
  /** Film aimed at, speed of the gun and what the card had said of it; missing where nobody timed. */
  readonly target?: Length | undefined;
  readonly speed?: Speed | undefined;
  readonly cardSpeed?: Speed | undefined;
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
  /** As it would be at 305 mm. */
  readonly width: Length;
}

export interface TipRetired extends EntryHead {
  readonly kind: 'tip retired';
  readonly tip: string;
}

export interface ViscosityLogged extends EntryHead {
  readonly kind: 'viscosity';
  readonly coating: string;
  readonly cup: string;
  /** What the cup showed in the end; missing where thinner was added and nobody measured again. */
  readonly seconds?: number | undefined;
  /** Thinner per paint in the container in the end. */
  readonly thinner: Fraction;
  /** What a standard cup said of it, before and after thinner went in. */
  readonly reads?: readonly ViscosityReading[] | undefined;
}

export interface SetupConfirmed extends EntryHead {
  readonly kind: 'set-up confirmed';
  readonly surface: string;
  readonly coating: string;
  readonly family: TipFamily;
  readonly tip?: string | undefined;
  /** The test cards agreed on it. */
  readonly sure: boolean;
  /** Gun pressure of the even fan, and what the heuristic had said. */
  readonly pressure: Pressure;
  readonly expected: Pressure;
}

export interface PaintArrived extends EntryHead {
  readonly kind: 'delivered';
  readonly coating: string;
  readonly volume: Volume;
}

export interface ContainerOpened extends EntryHead {
  readonly kind: 'container opened';
  readonly coating: string;
  readonly surface?: string | undefined;
  readonly batch: string;
  readonly boxedWith: readonly string[];
}

/** Some work besides spraying, how much of it was done and how long it took. */
export interface Worked extends EntryHead, KindOfWork {
  readonly kind: 'worked';
  readonly surface?: string | undefined;
  /** m, m² or pieces, as its rate is counted. */
  readonly amount: number;
  /** Of all people together, s. */
  readonly time: number;
}

/** Says nothing of its own: it takes back, or replaces with something nothing is derived from. */
export interface Withdrawn extends EntryHead {
  readonly kind: 'withdrawn';
}

export type LogEntry =
  | Sprayed
  | PaintUsed
  | PaintOut
  | CoatStarted
  | CoatFinished
  | CombLogged
  | DryGauge
  | TipFitted
  | FanMeasured
  | TipRetired
  | ViscosityLogged
  | SetupConfirmed
  | PaintArrived
  | ContainerOpened
  | Worked
  | Withdrawn;

export type EntryKind = LogEntry['kind'];
export type EntryOf<Kind extends EntryKind> = Extract<LogEntry, { kind: Kind }>;
