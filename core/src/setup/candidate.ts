import { archetypeOf } from '../coating';
import { betterOverlap, evenFanProfile, gunSpeedForFilm, type OverlapVerdict } from '../film';
import { pumpForGun, steadyState, type Line } from '../line';
import { SURFACE_KINDS } from '../takeoff';
import { FAMILY_DATA, orificeDiameter, type Tip, type TipFamily } from '../tip';
import {
  accept,
  quantity,
  refuse,
  showText,
  type Flow,
  type Length,
  type Pressure,
  type Result,
  type Speed,
  type Time,
  type UnitSystem,
  type Volume,
} from '../units';
import { EVEN_FAN_RANGE, evenFanPressure } from './evenFan';
import type { SearchContext } from './request';
import { fanWidthBy, gunDistance, type Schools } from './schools';

/** One tip with what it does on this surface, with this paint, machine and hose. */
export interface Candidate {
  readonly tip: Tip;
  /** Gun pressure aimed at: the even-fan pressure, or what the pump reaches below it. */
  readonly gunPressure: Pressure;
  readonly evenFanPressure: Pressure;
  readonly pumpPressure: Pressure;
  readonly flow: Flow;
  readonly fanWidth: Length;
  readonly overlap: OverlapVerdict;
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
  /** Paint of all coats that misses the piece; more than usual above the even-fan pressure, how much is not claimed. */
  readonly overspray: Volume;
  readonly mistsMore: boolean;
}

/** Share of the spraying time during which the trigger is open (method.md, "Working rates"). */
export const TRIGGER_SHARE = 0.55;

const overlaps = new Map<string, OverlapVerdict>();

/** Overlap for an even fan of a family by the school held; depends on nothing else, so it is worked out once. */
export function overlapOf(
  family: TipFamily,
  school: Schools['overlap'] = 'smaller variation',
): OverlapVerdict {
  const key = `${family} ${school}`;
  const known = overlaps.get(key);
  if (known) return known;
  const profile = evenFanProfile(FAMILY_DATA[family].profileExponent);
  const verdict = betterOverlap(profile, school === 'smaller variation' ? undefined : school);
  overlaps.set(key, verdict);
  return verdict;
}

/** Families whose fan breaks up coatings of the highest abrasion class. */
const HEAVY_FAMILIES: readonly TipFamily[] = ['standard', 'heavy-texture'];

/** Share of the finest usual orifice below which a coating clogs; working judgement. */
const CLOGGING_SHARE = 0.7;

export function lineOf({ request, fluid }: SearchContext, tip: Tip): Line {
  return {
    hoses: request.hoses,
    height: request.lift,
    orifice: orificeDiameter(tip),
    fluid,
    maxFlow: request.sprayer.maxFlow,
  };
}

/**
 * Works one tip out, or refuses it with the reason: larger than the machine carries, more paint than the pump
 * gives, more pressure than pump and hose leave at the gun, a film no gun speed lays.
 */
export function workOut(context: SearchContext, tip: Tip, system: UnitSystem): Result<Candidate> {
  const { request, fluid, transfer, wetPerPass, schools, area, coats, passes } = context;
  const { sprayer } = request;
  if (archetypeOf(request.coating.archetype).abrasionClass === 3 && !HEAVY_FAMILIES.includes(tip.family)) {
    return refuse(
      'tip.heavy',
      'tip',
      `A ${tip.family} tip does not break up a coating this heavy. Fit a standard or heavy-texture tip.`,
    );
  }
  if (tip.orificeThou > sprayer.largestOrificeThou) {
    return refuse(
      'tip.machine',
      'tip',
      `An orifice of ${tip.orificeThou} thou is over this sprayer's limit of ${sprayer.largestOrificeThou}. Fit a smaller tip or a larger sprayer.`,
    );
  }
  const { orifices } = archetypeOf(request.coating.archetype);
  if (tip.orificeThou < CLOGGING_SHARE * orifices.low) {
    return refuse(
      'tip.clogs',
      'tip',
      `An orifice of ${tip.orificeThou} thou would clog with this coating; ${orifices.low} to ${orifices.high} are usual.`,
    );
  }
  const line = lineOf(context, tip);
  const orifice = line.orifice;
  const wanted = quantity<Pressure>(
    evenFanPressure(tip.family, orifice, fluid.rheology.highShearViscosity) *
      (request.history?.evenFan?.value ?? 1),
  );
  let gunPressure = wanted;
  let { pump, flow } = pumpForGun(line, wanted);
  if (pump > sprayer.maxPressure) {
    const least = quantity<Pressure>(EVEN_FAN_RANGE.low * wanted);
    if (pumpForGun(line, least).pump > sprayer.maxPressure) {
      return refuse(
        'tip.pressure',
        'tip',
        `With the pump wide open this hose leaves less than ${showText(least, 'pressure', system)} at the gun; this tip wants about ${showText(wanted, 'pressure', system)}. Use a wider or shorter hose, or a smaller tip.`,
      );
    }
    ({
      pump,
      gun: gunPressure,
      flow,
    } = steadyState({ ...line, maxFlow: quantity(Infinity) }, sprayer.maxPressure));
  }
  if (flow > sprayer.maxFlow) {
    return refuse(
      'tip.flow',
      'tip',
      `This tip takes ${showText(flow, 'flow', system)}, more than the pump's ${showText(sprayer.maxFlow, 'flow', system)}: pressure would sag under the trigger.`,
    );
  }
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
  const gunSpeed = gunSpeedForFilm(
    { flow, transferEfficiency: quantity(transfer), fanWidth: width, overlap: quantity(overlap.share) },
    wetPerPass,
  );
  const strips = (area.net * SURFACE_KINDS[request.kind].texture) / (width * (1 - overlap.share));
  const triggerTime = (strips / gunSpeed) * coats * passes;
  return accept({
    tip,
    gunPressure,
    evenFanPressure: wanted,
    pumpPressure: pump,
    flow,
    fanWidth: width,
    overlap,
    gunSpeed,
    flowShare: flow / sprayer.maxFlow,
    pressureMargin: 1 - pump / sprayer.maxPressure,
    distance,
    wetFilm: wetPerPass,
    coats,
    passesPerCoat: passes,
    triggerTime: quantity(triggerTime),
    sprayingTime: quantity(triggerTime / TRIGGER_SHARE),
    overspray: quantity(flow * triggerTime * (1 - transfer)),
    mistsMore: gunPressure > wanted * (1 + 1e-9),
  });
}
