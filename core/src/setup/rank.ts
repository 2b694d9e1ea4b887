import { atOnce, type InSteps } from '../steps';
import { tipCatalogue, writeTipCode, type Tip } from '../tip';
import { capital, type Refusal, type Result, type UnitSystem } from '../units';
import { evaluateTip, lineForTip, overlapOf, type Candidate, type TipLine } from './candidate';
import { CRITERIA, CRITERION_NAMES, type Criterion, type CriterionName } from './criteria';
import { learnedEvenFan, type SearchContext } from './request';

export interface RankedTip {
  readonly candidate: Candidate;
  readonly score: number;
  readonly fitness: Readonly<Record<CriterionName, number>>;
  readonly onRack: boolean;
}

export interface Ranking {
  readonly tips: readonly RankedTip[];
  readonly refused: readonly { readonly tip: Tip; readonly refusal: Refusal }[];
}

const criteria: Readonly<Record<CriterionName, Criterion>> = CRITERIA;

/** Score of one worked-out tip: the weighted mean of its fitness by each criterion; the weights add up to one. */
export function score(candidate: Candidate, context: SearchContext): RankedTip {
  const fitness = {} as Record<CriterionName, number>;
  let sum = 0;
  for (const name of CRITERION_NAMES) {
    fitness[name] = criteria[name].fitness(candidate, context);
    sum += criteria[name].weight * fitness[name];
  }
  return { candidate, score: sum, fitness, onRack: fitness.rack === 1 };
}

/** The same without what the log has taught about even fans. */
const byHeuristic = (context: SearchContext): SearchContext => {
  const { request } = context;
  return { ...context, request: { ...request, history: { ...request.history, evenFan: undefined } } };
};

/** Works out one tip by what the log has taught of it; where pump and hose do not reach that, by the heuristic. */
export function workOut(
  context: SearchContext,
  tip: Tip,
  system: UnitSystem,
  line?: Result<TipLine>,
): Result<Candidate> {
  const found = evaluateTip(context, tip, system, line);
  return found.ok || !learnedEvenFan(context.request, tip.family)
    ? found
    : evaluateTip(byHeuristic(context), tip, system);
}

/**
 * Works out and ranks every tip of a catalogue; ties fall to the smaller orifice, then the narrower fan. Tips are compared by the
 * heuristic, since some families are known better than others; what a tip is said to need is what the log has taught.
 */
export const rankTips = (learned: SearchContext, system: UnitSystem, catalogue?: readonly Tip[]): Ranking =>
  atOnce(rankTipsInSteps(learned, system, catalogue));

/** The same, a tip at a step. */
export function* rankTipsInSteps(
  learned: SearchContext,
  system: UnitSystem,
  catalogue: readonly Tip[] = tipCatalogue(),
): InSteps<Ranking> {
  const context = byHeuristic(learned);
  const tips: RankedTip[] = [];
  const refused: { tip: Tip; refusal: Refusal }[] = [];
  const lines = new Map<string, Result<TipLine>>();
  for (const family of new Set(catalogue.map((tip) => tip.family))) {
    // Worked out once for each, and the longest of it.
    overlapOf(family, context.schools.overlap);
    yield;
  }
  for (const tip of catalogue) {
    const key = `${tip.family} ${tip.orificeThou}`;
    const line = lines.get(key) ?? lineForTip(context, tip, system);
    lines.set(key, line);
    const result = evaluateTip(context, tip, system, line);
    if (result.ok) tips.push(score(result.value, context));
    else refused.push({ tip, refusal: result });
    yield;
  }
  tips.sort(
    (a, b) =>
      b.score - a.score ||
      a.candidate.tip.orificeThou - b.candidate.tip.orificeThou ||
      a.candidate.tip.fan - b.candidate.tip.fan,
  );
  if (Object.keys(learned.request.history?.evenFan ?? {}).length === 0) return { tips, refused };
  const found = new Map<string, Result<TipLine>>();
  const asFound = (ranked: RankedTip): RankedTip => {
    const { tip } = ranked.candidate;
    if (!learnedEvenFan(learned.request, tip.family)) return ranked;
    const key = `${tip.family} ${tip.orificeThou}`;
    const line = found.get(key) ?? lineForTip(learned, tip, system);
    found.set(key, line);
    const result = workOut(learned, tip, system, line);
    return result.ok ? { ...ranked, candidate: result.value } : ranked;
  };
  const all: RankedTip[] = [];
  for (const one of tips) {
    all.push(asFound(one));
    yield;
  }
  return { tips: all, refused };
}

/** Fitness from which a criterion counts as a strength, and below which as a weakness. */
const STRENGTH = 0.85;
const WEAKNESS = 0.6;

/** A ranked tip with its code and the reason a person would give for it, or against it. */
export interface TipAdvice extends RankedTip {
  readonly code: string;
  readonly reason: string;
}

/** Advice on a tip: what speaks for it, or, beside another, what changes with it. */
export function adviceOn(
  tip: RankedTip,
  context: SearchContext,
  system: UnitSystem,
  beside: RankedTip = tip,
): TipAdvice {
  const reason =
    tip === beside ? reasonFor(tip, context, system) : reasonAgainst(tip, beside, context, system);
  return { ...tip, code: writeTipCode(tip.candidate.tip), reason };
}

/** The reason a person would give for a tip: its two weightiest strengths and its worst weakness. */
export function reasonFor(tip: RankedTip, context: SearchContext, system: UnitSystem): string {
  const strengths = CRITERION_NAMES.filter((name) => tip.fitness[name] >= STRENGTH).slice(0, 2);
  const weakness = CRITERION_NAMES.filter((name) => tip.fitness[name] < WEAKNESS && name !== 'rack').sort(
    (a, b) => (1 - tip.fitness[b]) * criteria[b].weight - (1 - tip.fitness[a]) * criteria[a].weight,
  )[0];
  const words = strengths.map((name) => criteria[name].good(tip.candidate, context, system));
  if (weakness) words.push(criteria[weakness].poor(tip.candidate, context, system));
  return sentence(words);
}

/** What changes when this tip is fitted instead of the best one: what it gains, what it costs, what the hand notices. */
export function reasonAgainst(
  tip: RankedTip,
  best: RankedTip,
  context: SearchContext,
  system: UnitSystem,
): string {
  const lost = (name: CriterionName) => (best.fitness[name] - tip.fitness[name]) * criteria[name].weight;
  const worst = CRITERION_NAMES.reduce((most, name) => (lost(name) > lost(most) ? name : most));
  const words = differences(tip.candidate, best.candidate);
  if (lost(worst) > NOTICEABLE && tip.fitness[worst] < WEAKNESS) {
    words.push(criteria[worst].poor(tip.candidate, context, system));
  }
  return sentence(words.length > 0 ? words : [criteria.orifice.good(tip.candidate, context, system)]);
}

/** Loss of weighted fitness that deserves a word. */
const NOTICEABLE = 0.02;
/** Relative change of gun speed the hand notices. */
const NOTICED_SPEED = 0.08;

/** The differences a painter would name between two tips. */
function differences(candidate: Candidate, best: Candidate): string[] {
  const words: string[] = [];
  if (candidate.tip.family !== best.tip.family) {
    const softer = candidate.gunPressure < best.gunPressure;
    words.push(`${candidate.tip.family} family${softer ? ', less overspray' : ''}`);
  }
  if (candidate.tip.fan > best.tip.fan) words.push('wider fan, fewer passes');
  if (candidate.tip.fan < best.tip.fan) words.push('narrower fan, neater at edges');
  if (candidate.tip.orificeThou > best.tip.orificeThou) words.push('more paint, quicker');
  if (candidate.tip.orificeThou < best.tip.orificeThou) words.push('less paint, easier on the pump');
  const speed = candidate.gunSpeed / best.gunSpeed - 1;
  if (Math.abs(speed) > NOTICED_SPEED) words.push(speed > 0 ? 'gun moves faster' : 'gun moves slower');
  return words;
}

function sentence(words: readonly string[]): string {
  const text = words.join('; ');
  return capital(text);
}
