import { archetypeOf, coatingInput } from '../coating';
import { explain, chosen, workingDefault, type Explained } from '../explain';
import type { ContainerCount } from '../quantities';
import {
  HOT,
  cautionsFor,
  protectionFor,
  siteOf,
  type Caution,
  type Protection,
  type SafetyContext,
  type Step,
} from '../safety';
import { atOnce, type InSteps } from '../steps';
import { extentOf, mainPiece, type AreaBreakdown } from '../takeoff';
import { isSameTip, orificeDiameter, writeTipCode } from '../tip';
import {
  accept,
  of,
  quantity,
  refuse,
  type Flow,
  type Pressure,
  type Result,
  type UnitSystem,
} from '../units';
import { besideSheet, type BesideSheet } from './besideSheet';
import { evaluateTip, type Candidate } from './candidate';
import { checkRequest } from './check';
import { tipDialledIn } from './dialledIn';
import { doubtsOf, tooHeavyFor, type Doubt } from './doubts';
import { filmNumbers, type FilmNumbers } from './filmNumbers';
import { lineNumbers, type LineNumbers } from './lineNumbers';
import { paintNumbers } from './paint';
import {
  adviceOn,
  rankTipsInSteps,
  score,
  workOut,
  type RankedTip,
  type Ranking,
  type TipAdvice,
} from './rank';
import {
  coatingMesh,
  fansFor,
  meshFor,
  orificesFor,
  searchContext,
  sprayedPiece,
  type SearchContext,
  type SetupRequest,
} from './request';

/** The set-up of one surface: the signature answer of the product. All numbers SI and self-explaining. */
export interface SetupCard extends LineNumbers, FilmNumbers {
  readonly tip: TipAdvice;
  /** The best tip when another was chosen by hand. */
  readonly chosen: boolean;
  readonly nextBest: readonly TipAdvice[];
  /** The best tip of the rack, where the one of the card is not on it and one of these does nearly as well. */
  readonly ours?: TipAdvice;
  readonly refusedTips: number;
  /** The maker's sheet beside what is worked out here. */
  readonly besideSheet: readonly BesideSheet[];
  /** What the maker's sheet says to wear, in its words. */
  readonly sheetWear: string | undefined;
  /** What speaks against spraying this here at all. */
  readonly doubts: readonly Doubt[];
  readonly stroke: { readonly length: number; readonly time: number };
  /** Passes in which one coat is laid so that none is over the sag limit. */
  readonly passesPerCoat: number;
  /** Coats in which the film is built. */
  readonly coats: number;
  readonly thinningLimit: Explained;
  readonly mesh: Explained;
  readonly area: AreaBreakdown;
  readonly paint: Explained;
  readonly hoseFill: Explained;
  readonly containers: readonly ContainerCount[];
  readonly containersAtWorst: readonly ContainerCount[];
  /** At the gun. */
  readonly cautions: readonly Caution[];
  /** Before the surface is washed, scraped or sanded. */
  readonly preparing: readonly Caution[];
  /** Before the place is left. */
  readonly leaving: readonly Caution[];
  /** What to wear and have at hand while it is sprayed. */
  readonly protection: readonly Protection[];
}

/** What the cautions of a step depend on, as far as it is known. Bare ground has no old paint; height is the piece's own. */
export function safetyOf(request: SetupRequest, step: Step): SafetyContext {
  const { element, side, kind, wind, geometry, coating, condition, sprayer, paintTemperature } = request;
  const site = siteOf(request.site);
  return {
    step,
    base: archetypeOf(coating.archetype).base,
    element,
    side,
    kind,
    wind,
    reach: extentOf(mainPiece(geometry)).height,
    ...site,
    surfaceAge: condition === 'bare' ? 'new' : site.surfaceAge,
    waterOnly: sprayer.waterOnly,
    hot: site.hot || (paintTemperature ?? 0) >= HOT,
  };
}

/** A tip of the rack with this much of the best one's score need not be bought. Judgement. */
const NEARLY = 0.85;

/** Length a stroke is timed over: a wall's usual 2.4 m (8 ft), shorter where the piece is. */
function strokeLength(side: number, system: UnitSystem): number {
  const steps =
    system === 'metric' ? [2.4, 1.2, 0.6, 0.3] : [of(8, 'ft'), of(4, 'ft'), of(2, 'ft'), of(1, 'ft')];
  return steps.find((step) => step <= side * 1.05) ?? side;
}

/**
 * The set-up card of a surface: ranks the catalogue, takes the best tip (or the one chosen by hand) and works out
 * every number with its formula, inputs and range. Refuses, with the field, what cannot be sprayed as asked.
 */
export const setupCard = (request: SetupRequest, system: UnitSystem = 'metric'): Result<SetupCard> =>
  atOnce(setupCardInSteps(request, system));

/** The same in steps, each a fraction of a millisecond on a phone once its code is warm. */
export function* setupCardInSteps(request: SetupRequest, system: UnitSystem): InSteps<Result<SetupCard>> {
  const area = checkRequest(request, system);
  if (!area.ok) return area;
  const heavy = tooHeavyFor(request);
  if (heavy) return heavy;
  const context = searchContext(request, area.value);
  yield;
  const ranking = yield* rankTipsInSteps(context, system);
  const best = ranking.tips[0];
  if (!best) {
    return refuse(
      'setup.none',
      'sprayerId',
      `No tip works with this sprayer, hose and coating. ${usualRefusal(ranking, request)}`,
    );
  }
  let main = best;
  if (request.chosenTip) {
    const result = workOut(context, request.chosenTip, system);
    if (!result.ok) return { ...result, field: 'tip' };
    main = score(result.value, context);
  } else {
    // What was measured stays, whatever the search would take since; a tip that no longer works does not.
    const tip = tipDialledIn(request);
    const result = tip && workOut(context, tip, system);
    if (result?.ok) main = score(result.value, context);
  }
  const others = ranking.tips.filter(({ candidate }) => !isSameTip(candidate.tip, main.candidate.tip));
  const ours = main.onRack
    ? undefined
    : others.find(({ onRack, score: fit }) => onRack && fit >= NEARLY * main.score);
  const line = lineNumbers(context, main.candidate);
  yield;
  if (line.dialledIn?.state === 'used') main = asDialledIn(context, main, line, system);
  const film = filmNumbers(context, main.candidate, line.flow);
  yield;
  const numbers = numbersFor(context, main.candidate, film, system);
  yield;
  const advice = {
    tip: adviceOn(main, context, system),
    chosen: request.chosenTip !== undefined,
    nextBest: others.slice(0, 2).map((other) => adviceOn(other, context, system, main)),
    ...(ours ? { ours: adviceOn(ours, context, system, main) } : {}),
    refusedTips: ranking.refused.length,
  };
  yield;
  return accept({
    ...advice,
    besideSheet: besideSheet(context, main, line, system),
    sheetWear: request.coating.sheet?.wear,
    doubts: doubtsOf(request, main.candidate.gunSpeed, system),
    ...line,
    ...numbers,
  });
}

/** A tip chosen by hand with less than this of the best one's score does not fit any more. Judgement. */
const STILL_FITS = 0.7;

/** Whether a tip chosen by hand still does for a surface: it works there, and not far worse than the best one. */
export function chosenTipFits(request: SetupRequest): boolean {
  const card = setupCard(request);
  if (!card.ok) return request.chosenTip === undefined || card.field !== 'tip';
  const [next] = card.value.nextBest;
  return !card.value.chosen || !next || card.value.tip.score >= STILL_FITS * next.score;
}

/** Why the tip one would reach for first, of the coating's usual orifice, was refused. */
function usualRefusal({ refused }: Ranking, request: SetupRequest): string {
  const { low } = orificesFor(request);
  const fan = fansFor(request).low;
  const usual = refused.find(
    ({ tip }) => tip.family === 'standard' && tip.orificeThou >= low && tip.fan === fan,
  );
  return (usual ?? refused[0])?.refusal.message ?? '';
}

/** A tip at what was measured with it: its flow, and all that follows from it. */
function asDialledIn(
  context: SearchContext,
  main: RankedTip,
  { gunPressure, pumpPressure, flow }: LineNumbers,
  system: UnitSystem,
): RankedTip {
  const { candidate } = main;
  const measured = {
    ...candidate,
    gunPressure: quantity<Pressure>(gunPressure.value),
    pumpPressure: quantity<Pressure>(pumpPressure.value),
    flow: quantity<Flow>(flow.value),
  };
  const found = evaluateTip(context, candidate.tip, system, accept(measured));
  return found.ok ? score(found.value, context) : main;
}

/** Every number of the card for one tip, besides those of its line; with those of its film. */
function numbersFor(context: SearchContext, main: Candidate, film: FilmNumbers, system: UnitSystem) {
  const { request, passes, area } = context;
  const { coating } = request;
  const extent = extentOf(sprayedPiece(request));
  const length = strokeLength(Math.max(extent.width, extent.height), system);
  const paint = paintNumbers(request, area, main.over);
  const mesh = coatingMesh(coating);
  const cautions = cautionsFor(safetyOf(request, 'spray'));
  return {
    ...film,
    ...paint,
    area,
    passesPerCoat: passes,
    coats: context.coats,
    stroke: { length, time: length / film.gunSpeed.value },
    thinningLimit: explain(
      'thinning limit',
      'percent',
      { limit: coatingInput(coating, 'thinningLimit') },
      ({ limit }) => limit,
    ),
    mesh: explain(
      'filter mesh',
      'mesh',
      {
        coating: workingDefault('Mesh for this coating', 'mesh', mesh, mesh, mesh),
        orifice: chosen(
          'Orifice',
          'orifice',
          orificeDiameter(main.tip),
          `Tip code ${writeTipCode(main.tip)}`,
        ),
      },
      (v) => meshFor(v.coating, quantity(v.orifice)),
    ),
    cautions,
    // Each once: what holds at both is said at the gun.
    preparing: cautionsFor(safetyOf(request, 'prepare')).filter(
      ({ code }) => !cautions.some((one) => one.code === code),
    ),
    leaving: cautionsFor(safetyOf(request, 'leave')),
    protection: protectionFor(safetyOf(request, 'spray')),
  };
}
