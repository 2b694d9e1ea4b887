import { archetypeOf, orificesOf } from '../coating';
import { COMFORTABLE_GUN_SPEED } from '../film';
import { ELEMENT_DATA, USUAL_OVER, extentOf, finishClass, isSmallPiece, type FinishClass } from '../takeoff';
import { isSameTip, type TipFamily } from '../tip';
import { showText, type UnitSystem } from '../units';
import type { Candidate } from './candidate';
import {
  fansFor,
  inEmptyRooms,
  isSpots,
  orificesFor,
  sprayedPiece,
  type SearchContext,
  type SetupRequest,
} from './request';

/** One thing a painter weighs when picking a tip: how fit from 0 to 1, and the words for it. */
export interface Criterion {
  readonly weight: number;
  readonly fitness: (candidate: Candidate, context: SearchContext) => number;
  readonly good: (candidate: Candidate, context: SearchContext, system: UnitSystem) => string;
  readonly poor: (candidate: Candidate, context: SearchContext, system: UnitSystem) => string;
}

const clamp = (value: number) => Math.min(1, Math.max(0, value));

/** 1 inside the range, falling by `perStep` for each unit outside. */
function insideRange(value: number, range: { low: number; high: number }, perStep: number): number {
  const outside = Math.max(range.low - value, value - range.high, 0);
  return clamp(1 - outside * perStep);
}

/** Gun speed liked best, m/s; fitness falls to zero at half the lower and a third over the upper comfortable end. */
const BEST_SPEED = { low: 0.4, high: 0.75 } as const;

function speedFitness(speed: number): number {
  const { low, high } = COMFORTABLE_GUN_SPEED;
  if (speed < BEST_SPEED.low) return clamp((speed - low / 2) / (BEST_SPEED.low - low / 2));
  if (speed > BEST_SPEED.high) return clamp((high * (4 / 3) - speed) / (high * (4 / 3) - BEST_SPEED.high));
  return 1;
}

/** How well a family's fan suits a finish; working judgement. */
const FAMILY_FOR_FINISH: Readonly<Record<FinishClass, Readonly<Record<TipFamily, number>>>> = {
  fine: { standard: 0.5, 'low-pressure': 0.75, 'fine-finish': 1, wide: 0.05, 'heavy-texture': 0 },
  'broad inside': { standard: 1, 'low-pressure': 0.9, 'fine-finish': 0.4, wide: 0.4, 'heavy-texture': 0.1 },
  'broad outside': { standard: 1, 'low-pressure': 0.8, 'fine-finish': 0.3, wide: 0.4, 'heavy-texture': 0.1 },
};

/** Coatings of the highest abrasion class are made for heavy-texture tips. */
function familyFitness({ tip }: Candidate, { request }: SearchContext): number {
  const heavy = archetypeOf(request.coating.archetype).abrasionClass === 3;
  if (heavy) return tip.family === 'heavy-texture' ? 1 : tip.family === 'standard' ? 0.7 : 0.1;
  // What a wide family lays unevenly is laid over by the coats that follow.
  if (tip.family === 'wide' && inEmptyRooms(request)) return 1;
  return FAMILY_FOR_FINISH[finishClass(request.element, request.side)][tip.family];
}

const finishWords = ({ request }: SearchContext) =>
  archetypeOf(request.coating.archetype).abrasionClass === 3
    ? 'heavy coatings'
    : finishClass(request.element, request.side) === 'fine'
      ? 'a fine finish'
      : 'broad work';

/** Narrow pieces up to this across want two passes at most, m. */
const NARROW = 0.15;
/** A fan of which so much less than usual is over the piece is too wide for it. */
const TOO_WIDE = 0.75;

/** How a fan fits a piece: most of it over the piece, and a narrow piece in one pass or two. */
function fitsPiece({ over, covers }: Candidate, request: SetupRequest): number {
  const { width, height } = extentOf(sprayedPiece(request));
  const across = Math.min(width, height);
  const bar = ELEMENT_DATA[request.element].bar !== undefined;
  const passes = across <= NARROW && !bar ? Math.max(1, Math.round(across / covers)) : 1;
  const landed = Math.min(1, over / (TOO_WIDE * USUAL_OVER[request.element]));
  return landed * Math.min(1, 2 / passes);
}

/** The criteria with their weights. Weights are working judgement, stated in method.md. */
export const CRITERIA = {
  orifice: {
    weight: 0.25,
    fitness: ({ tip }, { request }) => {
      const { low, high } = orificesFor(request);
      const middle = (low + high) / 2;
      const offCentre = Math.abs(tip.orificeThou - middle) / Math.max(1, high - low);
      return clamp(insideRange(tip.orificeThou, { low, high }, 0.2) - 0.2 * offCentre);
    },
    good: ({ tip }, { request }) =>
      `${tip.orificeThou} thou suits this ${isSmallPiece(request.element, request.geometry) && !isSpots(request) ? 'small work' : 'paint'}`,
    poor: ({ tip }, { request }) =>
      tip.orificeThou < orificesFor(request).low
        ? 'fine for this paint: may clog'
        : orificesFor(request).high < orificesOf(request.coating).high
          ? 'much paint for small work'
          : 'coarse for this paint',
  },
  fan: {
    weight: 0.21,
    fitness: (candidate, { request }) =>
      insideRange(candidate.tip.fan, fansFor(request), 0.3) * fitsPiece(candidate, request),
    good: ({ fanWidth }, _context, system) => `${showText(fanWidth, 'fanWidth', system)} fan fits the piece`,
    poor: ({ tip }, { request }) =>
      tip.fan > fansFor(request).high ? 'wide fan: more past the edges' : 'narrow fan: more passes',
  },
  speed: {
    weight: 0.2,
    fitness: ({ gunSpeed }) => speedFitness(gunSpeed),
    good: () => 'comfortable gun speed',
    poor: ({ gunSpeed }) => (gunSpeed > BEST_SPEED.high ? 'gun has to move fast' : 'gun has to move slowly'),
  },
  margin: {
    weight: 0.16,
    fitness: ({ flowShare, pressureMargin }) =>
      Math.min(clamp((1 - flowShare) / 0.25), clamp(pressureMargin / 0.1)),
    good: ({ flowShare }) => `leaves the pump ${Math.round((1 - flowShare) * 100)} % of its flow in hand`,
    poor: ({ flowShare, pressureMargin }) =>
      1 - flowShare < pressureMargin
        ? `takes ${Math.round(flowShare * 100)} % of what the pump gives`
        : 'needs the pump near its highest pressure',
  },
  family: {
    weight: 0.12,
    fitness: familyFitness,
    good: ({ tip }, context) => `${tip.family} suits ${finishWords(context)}`,
    poor: ({ tip }, context) => `${tip.family} is not made for ${finishWords(context)}`,
  },
  time: {
    weight: 0.04,
    fitness: ({ gunSpeed, fanWidth, overlap }) => clamp((gunSpeed * fanWidth * (1 - overlap.share)) / 0.12),
    good: () => 'quickest over the area',
    poor: () => 'takes longer',
  },
  rack: {
    weight: 0.02,
    fitness: ({ tip }, { request }) => (request.rack.some((owned) => isSameTip(owned, tip)) ? 1 : 0),
    good: () => 'on your rack',
    poor: () => 'not on your rack',
  },
} as const satisfies Record<string, Criterion>;

export type CriterionName = keyof typeof CRITERIA;
/** The criteria, weightiest first. */
export const CRITERION_NAMES = Object.keys(CRITERIA) as CriterionName[];
