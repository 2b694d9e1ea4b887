import { archetypeOf } from '../coating';
import { betterOverlap, evenFanProfile, gunSpeedForFilm, type OverlapVerdict } from '../film';
import { pumpForGun, steadyState, type Line } from '../line';
import { transferEfficiency } from '../takeoff';
import {
  FAMILY_DATA,
  NOMINAL_DISTANCE,
  TIP_FAMILIES,
  fanWidth,
  orificeDiameter,
  type Tip,
  type TipFamily,
} from '../tip';
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
  type UnitSystem,
} from '../units';
import { EVEN_FAN_RANGE, evenFanPressure } from './evenFan';
import type { SearchContext } from './request';

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
}

const OVERLAPS = Object.fromEntries(
  TIP_FAMILIES.map((family) => [family, betterOverlap(evenFanProfile(FAMILY_DATA[family].profileExponent))]),
) as Readonly<Record<TipFamily, OverlapVerdict>>;

/** Overlap for an even fan of a family; depends on nothing else, so it is worked out once. */
export function overlapOf(family: TipFamily): OverlapVerdict {
  return OVERLAPS[family];
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
  const { request, fluid, wetPerPass } = context;
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
  const wanted = evenFanPressure(tip.family, orifice, fluid.rheology.highShearViscosity);
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
  const width = fanWidth(tip.fan, NOMINAL_DISTANCE);
  const overlap = overlapOf(tip.family);
  const { likely } = transferEfficiency(request.element, request.side, request.wind);
  const gunSpeed = gunSpeedForFilm(
    { flow, transferEfficiency: quantity(likely), fanWidth: width, overlap: quantity(overlap.share) },
    wetPerPass,
  );
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
  });
}
