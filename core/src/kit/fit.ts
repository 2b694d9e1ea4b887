import type { CoatingBase } from '../coating';
import type { Sprayer } from '../line';
import type { Power } from '../safety';
import { meshFor } from '../setup';
import type { Side } from '../takeoff';
import { checkSeal, orificeDiameter, sealFor, writeTipCode, type Seal, type Tip } from '../tip';
import { showText, type Pressure, type UnitSystem } from '../units';

/** Threads that hoses, guns and outlets are made with, inches. */
export const FITTINGS = ['3/16', '1/4', '3/8'] as const;
export type Fitting = (typeof FITTINGS)[number];

/** Something between pump and tip that a pressure may burst. */
export interface RatedPart {
  readonly name: string;
  readonly maxPressure: Pressure;
  readonly fitting?: Fitting | undefined;
}

/** A machine as it is about to be put together. */
export interface Rig {
  readonly sprayer: Pick<Sprayer, 'maxPressure' | 'largestOrificeThou' | 'waterOnly'> & {
    readonly name: string;
    readonly outlet: Fitting;
    readonly power: Power;
    readonly manifoldMesh: number | null;
  };
  /** From the pump on. */
  readonly hoses: readonly RatedPart[];
  readonly gun?: (RatedPart & { readonly mesh: number | null }) | undefined;
  readonly extension?: RatedPart | undefined;
  readonly tip: Tip;
  readonly seal?: Seal | undefined;
  readonly base: CoatingBase;
  /** Mesh the coating wants at the gun. */
  readonly coatingMesh: number;
  readonly side: Side;
}

/** Something that does not go together: what, why, and the way out. */
export interface Misfit {
  readonly code: string;
  /** Whether it must not be sprayed so, or only wants a thought. */
  readonly stops: boolean;
  readonly what: string;
  readonly why: string;
  readonly instead: string;
}

function ratedParts({ hoses, gun, extension }: Rig): readonly RatedPart[] {
  return [...hoses, ...(gun ? [gun] : []), ...(extension ? [extension] : [])];
}

type Check = (rig: Rig, system: UnitSystem) => Misfit | readonly Misfit[] | undefined;

const CHECKS: readonly Check[] = [
  ({ base, sprayer }) =>
    base === 'solvent' && sprayer.waterOnly
      ? {
          code: 'base',
          stops: true,
          what: `${sprayer.name} is for water-borne coatings only`,
          why: 'Solvent attacks its packings, and its motor can light the mist.',
          instead: 'Take a sprayer that is made for solvent, or a water-borne coating.',
        }
      : undefined,
  ({ sprayer, side }) =>
    sprayer.power === 'engine' && side === 'inside'
      ? {
          code: 'engine',
          stops: true,
          what: 'An engine stays outside',
          why: 'Its exhaust holds carbon monoxide, which kills without a smell.',
          instead: 'Stand it downwind of doors and windows and take hose for the way in.',
        }
      : undefined,
  ({ tip, sprayer }) =>
    tip.orificeThou > sprayer.largestOrificeThou
      ? {
          code: 'orifice',
          stops: true,
          what: `Orifice ${tip.orificeThou} is over the ${sprayer.largestOrificeThou} thou of ${sprayer.name}`,
          why: 'The tip takes more than the pump gives: pressure sags under the trigger.',
          instead: `Take a tip of ${sprayer.largestOrificeThou} thou or finer, or a larger sprayer.`,
        }
      : undefined,
  (rig, system) =>
    ratedParts(rig)
      .filter(({ maxPressure }) => maxPressure < rig.sprayer.maxPressure)
      .map(({ name, maxPressure }) => ({
        code: `rating ${name}`,
        stops: true,
        what: `${name} is rated ${showText(maxPressure, 'pressure', system)}, the pump reaches ${showText(rig.sprayer.maxPressure, 'pressure', system)}`,
        why: 'A hose or gun over its rating bursts beside the hand that holds it.',
        instead: `Take one rated for the pump. A knob can be turned up by accident; a lower setting is no protection.`,
      })),
  ({ seal, tip, base }) => {
    if (seal === undefined) return undefined;
    const checked = checkSeal(tip.family, seal);
    return checked.ok
      ? undefined
      : {
          code: 'seal',
          stops: true,
          what: `The seal does not fit a ${tip.family} tip`,
          why: 'It leaks at the guard under full pressure.',
          instead: `${sealFor(tip.family, base).name} is what it wants.`,
        };
  },
  ({ gun, tip, coatingMesh }) => {
    if (!gun) return undefined;
    const wanted = meshFor(coatingMesh, orificeDiameter(tip));
    if (gun.mesh === wanted) return undefined;
    const fitted = gun.mesh === null ? 'no filter' : `a ${gun.mesh} mesh filter`;
    const coarse = gun.mesh === null || gun.mesh < wanted;
    return {
      code: 'mesh',
      stops: false,
      what: `The gun has ${fitted}; this coating and tip want ${wanted} mesh`,
      why: coarse
        ? `Lumps pass it and stop in the orifice of ${writeTipCode(tip)}.`
        : 'Pigment blocks a finer mesh: it feels like low pressure.',
      instead: `Take a ${wanted} mesh gun filter.`,
    };
  },
  ({ sprayer, gun, coatingMesh, tip }) => {
    const wanted = meshFor(coatingMesh, orificeDiameter(tip));
    const { manifoldMesh } = sprayer;
    if (!gun || manifoldMesh === null || manifoldMesh <= wanted) return undefined;
    return {
      code: 'manifold',
      stops: false,
      what: `The manifold filter of ${manifoldMesh} mesh is finer than the gun's ${wanted}`,
      why: 'It blocks first, where nobody looks.',
      instead: `Fit ${wanted} mesh or coarser in the manifold.`,
    };
  },
  ({ sprayer, hoses, gun }) => {
    const chain = [{ name: sprayer.name, fitting: sprayer.outlet }, ...hoses, ...(gun ? [gun] : [])].flatMap(
      ({ name, fitting }) => (fitting === undefined ? [] : [{ name, fitting }]),
    );
    return chain.slice(1).flatMap((part, index) => {
      const before = chain[index];
      if (!before || before.fitting === part.fitting) return [];
      return [
        {
          code: `thread ${index}`,
          stops: false,
          what: `${part.name} (${part.fitting} in) does not screw on ${before.name} (${before.fitting} in)`,
          why: 'Forced threads leak at full pressure.',
          instead: `Take an adapter ${before.fitting} to ${part.fitting} in, rated for the pump.`,
        },
      ];
    });
  },
  ({ hoses }) =>
    hoses.length === 0
      ? {
          code: 'no hose',
          stops: true,
          what: 'No hose is chosen',
          why: 'The gun does not screw on the pump.',
          instead: 'Choose at least one hose.',
        }
      : undefined,
];

/** What does not go together in a rig, what must not be sprayed first. Empty when all fits. */
export function misfits(rig: Rig, system: UnitSystem = 'metric'): readonly Misfit[] {
  return CHECKS.flatMap((check) => check(rig, system) ?? []).sort(
    (a, b) => Number(b.stops) - Number(a.stops),
  );
}
