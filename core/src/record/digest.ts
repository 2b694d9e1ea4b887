import type { Element, Side, Wind } from '../takeoff';
import type { AbrasionClass, TipFamily } from '../tip';

/** What the share of the paint that lands is learned by. */
export interface PieceOfWork {
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
}

/** What pressure and gun speed are learned by. */
export interface CoatingAndFamily {
  readonly coating: string;
  readonly family: TipFamily;
}

/** Readings about one thing, each with the entry it was first heard of in and when, ms since 1970; in the order of time. */
export interface DigestedReadings<About> {
  readonly about: About;
  readonly ids: readonly string[];
  readonly at: readonly number[];
  readonly values: readonly number[];
}

/**
 * What the coats of one job leave for all that comes after it: what they teach, and the paint that went through each tip. A job
 * that nobody works on any more is known by that, and by its entries of other kinds, without its log. In columns, since there
 * are many.
 */
export interface JobDigest {
  /** The way it was worked out: `DIGEST_VERSION` of the program that did. */
  readonly version: number;
  readonly transfer: readonly DigestedReadings<PieceOfWork>[];
  readonly speed: readonly DigestedReadings<CoatingAndFamily>[];
  /** Paint through tips, m³, in the order of time. Tips and coatings by their place in the lists. */
  readonly through: {
    readonly tips: readonly string[];
    readonly coatings: readonly string[];
    readonly tip: readonly number[];
    readonly coating: readonly number[];
    readonly at: readonly number[];
    readonly volume: readonly number[];
    readonly abrasion: readonly (AbrasionClass | null)[];
  };
}

/**
 * Counted up whenever what is read of coats changes (`readings.ts`, `throughOf`): a digest made before is made again. A test
 * holds it to the digest of a log that stays the same.
 */
export const DIGEST_VERSION = 3;
