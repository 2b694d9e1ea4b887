import { quantity, type Flow, type Fraction, type Length, type Speed, type SpreadingRate } from '../units';

/** A film under this share of the one wanted is thin: in a picture of it, and by its combs (judgement). */
export const THIN = 0.8;

/** Gun speeds an arm keeps up over a working day. */
export const COMFORTABLE_GUN_SPEED = { low: 0.3, high: 0.9 } as const;

/** Wet film that leaves a dry film: WFT = DFT(1 + r)/VS, r thinner per volume of paint. */
export function wetForDry(dry: Length, volumeSolids: Fraction, thinnerPerPaint: Fraction): Length {
  return quantity((dry * (1 + thinnerPerPaint)) / volumeSolids);
}

/** Dry film a wet film leaves: DFT = WFT·VS/(1 + r). */
export function dryForWet(wet: Length, volumeSolids: Fraction, thinnerPerPaint: Fraction): Length {
  return quantity((wet * volumeSolids) / (1 + thinnerPerPaint));
}

/** Theoretical spreading rate of unthinned paint, area per volume: VS/DFT (1/m). 1604.2 ft²·mil/gal at 100 % solids. */
export function spreadingRate(volumeSolids: Fraction, dry: Length): SpreadingRate {
  return quantity(volumeSolids / dry);
}

export interface Pass {
  readonly flow: Flow;
  readonly transferEfficiency: Fraction;
  readonly fanWidth: Length;
  /** Share of the fan laid over the pass before, 0 to below 1. */
  readonly overlap: Fraction;
}

/** Mean wet film of a field of passes at a gun speed: Q·TE/(W(1 − overlap)v). */
export function wetFilmOfPass(pass: Pass, speed: Speed): Length {
  return quantity((pass.flow * pass.transferEfficiency) / (pass.fanWidth * (1 - pass.overlap) * speed));
}

/** Gun speed that lays a wet film: the inverse of `wetFilmOfPass`. */
export function gunSpeedForFilm(pass: Pass, wet: Length): Speed {
  return quantity((pass.flow * pass.transferEfficiency) / (pass.fanWidth * (1 - pass.overlap) * wet));
}

/**
 * Paint that has to arrive on a flat square metre, m: the film on its true area, and what soaks in. Gun speed, passes, simulation
 * and litres all stand on this sum.
 */
export const laidPerArea = (trueArea: number, wetFilm: number, soaksIn: number): number =>
  trueArea * wetFilm + soaksIn;

/** Film on the true area that what arrives on a flat square metre makes: the inverse of `laidPerArea`. */
export const filmOfLaid = (trueArea: number, laid: number, soaksIn: number): number =>
  Math.max(0, laid - soaksIn) / trueArea;

/** Share by which the sag limit falls on ceilings and details. */
export const SAG_REDUCTION = 0.15;

/** Sag limit for the piece: the coating's limit on verticals, 15 % less on ceilings and details. */
export function sagLimitFor(limit: Length, reduced: boolean): Length {
  return quantity(reduced ? limit * (1 - SAG_REDUCTION) : limit);
}
