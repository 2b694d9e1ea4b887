import { archetypeOf, orificesOf } from '../coating';
import {
  betterOverlap,
  evenFanProfile,
  gunSpeedForFilm,
  laidPerArea,
  visibleShare,
  type OverlapVerdict,
} from '../film';
import { pumpForGun, steadyState, type Line, type Sprayer } from '../line';
import { coverOf } from '../passes';
import { TRIGGER_SHARE } from '../quantities';
import { FAMILY_DATA, orificeDiameter, type Tip, type TipFamily } from '../tip';
import {
  accept,
  quantity,
  refuse,
  showText,
  type Flow,
  type Fraction,
  type Length,
  type Pressure,
  type Refusal,
  type Result,
  type Speed,
  type Time,
  type UnitSystem,
  type Volume,
} from '../units';
import { demandOf } from './carries';
import { EVEN_FAN_RANGE } from './evenFan';
import { orificesFor, sprayedPiece, type SearchContext } from './request';
import { fanWidthBy, gunDistance, type Schools } from './schools';
import { lineThrough } from './theLine';

/** Gun pressures between which the first test card starts and the last one stops. */
export interface PressureBand {
  readonly start: Pressure;
  readonly stop: Pressure;
}

/** What pump, hoses and paint do with a tip: everything that its fan width does not change. */
export interface TipLine {
  /** Gun pressure aimed at: the even-fan pressure, or what the pump reaches below it. */
  readonly gunPressure: Pressure;
  readonly evenFanPressure: Pressure;
  /** The same by the heuristic alone, whatever the log has taught. */
  readonly usualPressure: Pressure;
  readonly band: PressureBand;
  readonly pumpPressure: Pressure;
  readonly flow: Flow;
}

/** One tip with what it does on this surface, with this paint, machine and hose. */
export interface Candidate extends TipLine {
  readonly tip: Tip;
  readonly fanWidth: Length;
  readonly overlap: OverlapVerdict;
  /** Share of the fan that is over the piece, by the passes of its main piece, and the width each of them covers. */
  readonly over: number;
  readonly covers: Length;
  /** Share of the paint that lands: what is over the piece, and of that what is not lost in the air. */
  readonly lands: number;
  /** Of the first coat: on bare ground it lays what soaks in, too. */
  readonly gunSpeed: Speed;
  /** Share of the pump's flow limit this tip uses. */
  readonly flowShare: number;
  /** Share of the pump's highest pressure this tip leaves unused. */
  readonly pressureMargin: number;
  readonly distance: Length;
  /** Film laid at a time; the coats and the passes of each that build it up. */
  readonly wetFilm: Length;
  readonly coats: number;
  readonly passesPerCoat: number;
  /** Trigger time for all coats, and the time spraying takes with it. */
  readonly triggerTime: Time;
  readonly sprayingTime: Time;
  /** Paint of all coats that misses the piece or is lost in the air; more than usual above the even-fan pressure, how much is not claimed. */
  readonly overspray: Volume;
  readonly aboveEvenFan: boolean;
}

const overlaps = new Map<string, OverlapVerdict>();

/** Overlap for an even fan of a family by the school held; depends on nothing else, so it is worked out once. */
export function overlapOf(
  family: TipFamily,
  school: Schools['overlap'] = 'smaller variation',
): OverlapVerdict {
  const key = `${family} ${school}`;
  const known = overlaps.get(key);
  if (known) return known;
  const { profileExponent } = FAMILY_DATA[family];
  const asked = school === 'smaller variation' ? undefined : school;
  const verdict = betterOverlap(evenFanProfile(profileExponent), asked, visibleShare(profileExponent));
  overlaps.set(key, verdict);
  return verdict;
}

/** Families whose fan breaks up coatings of the highest abrasion class. */
const HEAVY_FAMILIES: readonly TipFamily[] = ['standard', 'heavy-texture'];

/** Share of the finest usual orifice below which a coating clogs; working judgement. */
const CLOGGING_SHARE = 0.7;

export const lineOf = ({ request, fluid }: SearchContext, tip: Tip): Line =>
  lineThrough(request, fluid, orificeDiameter(tip));

/** Why a family or an orifice is not for this coating or this machine, whatever the pressure. */
function refusedByOrifice({ request }: SearchContext, { family, orificeThou }: Tip): Refusal | undefined {
  const { abrasionClass } = archetypeOf(request.coating.archetype);
  const suited = orificesFor(request);
  const { largestOrificeThou } = request.sprayer;
  if (abrasionClass === 3 && !HEAVY_FAMILIES.includes(family)) {
    return refuse(
      'tip.heavy',
      'tip',
      `A ${family} tip does not break up a coating this heavy. Fit a standard or heavy-texture tip.`,
    );
  }
  if (orificeThou > largestOrificeThou) {
    return refuse(
      'tip.machine',
      'tip',
      `An orifice of ${orificeThou} thou is over this sprayer's limit of ${largestOrificeThou}. Fit a smaller tip or a larger sprayer.`,
    );
  }
  if (orificeThou < CLOGGING_SHARE * orificesOf(request.coating).low) {
    return refuse(
      'tip.clogs',
      'tip',
      `An orifice of ${orificeThou} thou would clog with this coating; ${suited.low} to ${suited.high} are usual here.`,
    );
  }
  return undefined;
}

/**
 * Where to look for an even fan: the range of the heuristic within the family's band, as far as the pump reaches; up to what
 * is aimed at alone where the pump gives no more.
 */
function bandAround(
  line: Line,
  { family }: Tip,
  gun: Pressure,
  evenFan: Pressure,
  sprayer: Sprayer,
): PressureBand {
  const { low, high } = FAMILY_DATA[family].band;
  const start = Math.min(gun, Math.max(low, EVEN_FAN_RANGE.low * evenFan));
  const highest = quantity<Pressure>(Math.max(gun, Math.min(high, EVEN_FAN_RANGE.high * evenFan)));
  const reaches = pumpForGun(line, highest).pump <= sprayer.maxPressure;
  return {
    start: quantity(start),
    stop: reaches ? highest : (Math.max(gun, atFullPump(line, sprayer)) as Pressure),
  };
}

/** What is left at the gun with the pump wide open, whatever flows. */
const atFullPump = (line: Line, { maxPressure }: Sprayer): Pressure =>
  steadyState({ ...line, maxFlow: quantity(Infinity) }, maxPressure).gun;

/**
 * Works out what reaches the gun with a tip, the same for every fan of its family and orifice; or refuses it with the
 * reason: not for this coating, larger than the machine carries, more pressure than pump and hose leave at the gun,
 * more paint than the pump gives.
 */
export function lineForTip(context: SearchContext, tip: Tip, system: UnitSystem): Result<TipLine> {
  const refused = refusedByOrifice(context, tip);
  if (refused) return refused;
  const { request, fluid } = context;
  const { sprayer } = request;
  const line = lineOf(context, tip);
  const {
    usual,
    wanted,
    least,
    flow: taken,
    ofFlow,
    ofPressure,
  } = demandOf(request, fluid, tip.family, line.orifice);
  if (ofPressure > 1) {
    return refuse(
      'tip.pressure',
      'tip',
      `With the pump wide open this hose leaves less than ${showText(least, 'pressure', system)} at the gun; this tip wants about ${showText(wanted, 'pressure', system)}. Use a wider or shorter hose, or a smaller tip.`,
    );
  }
  if (ofFlow > 1) {
    return refuse(
      'tip.flow',
      'tip',
      `This tip takes ${showText(taken, 'flow', system)}, more than the pump's ${showText(sprayer.maxFlow, 'flow', system)} with a tenth kept in hand: pressure would sag under the trigger, at the latest as the tip wears.`,
    );
  }
  const full = pumpForGun(line, wanted).pump <= sprayer.maxPressure;
  const gunPressure = full ? wanted : atFullPump(line, sprayer);
  const { pump, flow } = pumpForGun(line, gunPressure);
  const band = bandAround(line, tip, gunPressure, wanted, sprayer);
  return accept({
    gunPressure,
    evenFanPressure: wanted,
    usualPressure: usual,
    band,
    pumpPressure: quantity(Math.min(pump, sprayer.maxPressure)),
    flow,
  });
}

/** A pass as wide as what it covers laps nothing. */
const NO_LAP = quantity<Fraction>(0);

/** Works one tip out on this surface, given what reaches the gun with it; or refuses it with the reason. */
export function evaluateTip(
  context: SearchContext,
  tip: Tip,
  system: UnitSystem,
  line = lineForTip(context, tip, system),
): Result<Candidate> {
  if (!line.ok) return line;
  const { request, air, texture, soaks, wetPerPass, schools, area, coats, passes } = context;
  const { gunPressure, evenFanPressure, usualPressure, band, pumpPressure, flow } = line.value;
  const { sprayer } = request;
  const distance = gunDistance(request.element, schools);
  const width = fanWidthBy(tip.fan, distance, schools);
  if (width === undefined) {
    return refuse(
      'tip.school',
      'schools.fanWidth',
      `Read as a spray angle fan ${tip.fan} has no width. Choose another school for this fan.`,
    );
  }
  const overlap = overlapOf(tip.family, schools.overlap);
  const fan = { family: tip.family, fanWidth: width, overlap: quantity<Fraction>(overlap.share) };
  const { over, open, area: painted } = coverOf(sprayedPiece(request), request.element, fan);
  const lands = air * over;
  const covers = quantity<Length>(painted / open);
  const pass = {
    flow,
    transferEfficiency: quantity<Fraction>(lands),
    fanWidth: covers,
    overlap: NO_LAP,
  };
  const gunSpeed = gunSpeedForFilm(pass, quantity(laidPerArea(texture, wetPerPass, soaks)));
  const landed = area.net * laidPerArea(texture * coats * passes, wetPerPass, soaks);
  const triggerTime = landed / (flow * lands);
  return accept({
    tip,
    gunPressure,
    evenFanPressure,
    usualPressure,
    band,
    pumpPressure,
    flow,
    fanWidth: width,
    overlap,
    over,
    covers,
    lands,
    gunSpeed,
    flowShare: flow / sprayer.maxFlow,
    pressureMargin: 1 - pumpPressure / sprayer.maxPressure,
    distance,
    wetFilm: wetPerPass,
    coats,
    passesPerCoat: passes,
    triggerTime: quantity(triggerTime),
    sprayingTime: quantity(triggerTime / TRIGGER_SHARE.value),
    overspray: quantity(flow * triggerTime * (1 - lands)),
    aboveEvenFan: gunPressure > evenFanPressure * (1 + 1e-9),
  });
}
