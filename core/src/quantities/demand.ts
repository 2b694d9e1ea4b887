import { archetypeOf, type Coating } from '../coating';
import { workingDefault, type Input } from '../explain';
import type { HoseRun } from '../line';
import { TIP_LIFE } from '../tip';
import { fillInputs, keptInputs, surfaceInputs, type PaintedSurface, type SurfaceInputName } from './paint';
import { WEAR_LEFT } from './wear';

/** One surface of a job with its net area. */
export interface JobSurface {
  readonly id: string;
  readonly surface: PaintedSurface;
  readonly netArea: number;
  /** Share of the fan over it by its plan of passes; missing where nothing is known of one. */
  readonly over?: number | undefined;
}

/** What one coating of a job has to cover. */
export interface CoatingDemand {
  readonly id: string;
  readonly coating: Coating;
  readonly surfaces: readonly JobSurface[];
  readonly hoses: readonly HoseRun[];
  /** How often hose and pump are filled with this coating. */
  readonly fills: number;
}

/** What is uncertain about the paint of a job, and how one comes to know it better. */
export const FACTOR_GROUPS = {
  area: { name: 'Sizes of the surfaces', better: 'Measure the rooms again.' },
  texture: {
    name: 'True area of the texture',
    better: 'Spray one measured patch and weigh the container before and after.',
  },
  dry: { name: 'Dry film of a coat', better: 'Enter the dry film of the data sheet.' },
  solids: { name: 'Volume solids', better: 'Enter the volume solids of the data sheet.' },
  te: { name: 'Share of the paint that lands', better: 'Note litres and area of a few surfaces.' },
  absorbed: { name: 'What soaks in', better: 'Prime one measured patch and note the litres.' },
  hand: { name: 'Speed of the gun hand', better: 'Read the comb more often.' },
  residue: { name: 'Left in containers', better: 'Weigh what emptied containers still hold.' },
  touchUp: { name: 'Kept for touch-up', better: 'Note what is kept back on each job.' },
  life: { name: 'Life of a tip', better: 'Tape the fan of each tip now and then.' },
  wear: { name: 'Tip wear the hand does not make good', better: 'Read the comb more often.' },
  back: { name: 'Pumped back at a flush', better: 'Measure once what comes back out of the hose.' },
  pump: { name: 'Fill of pump and suction', better: 'Measure once what the pump takes before it sprays.' },
} as const;
export type FactorGroup = keyof typeof FACTOR_GROUPS;
export const FACTOR_GROUP_NAMES = Object.keys(FACTOR_GROUPS) as FactorGroup[];

/**
 * One uncertain number of a job, with its own range. Numbers with one `draw` are off the same way: where one is at the end of its range,
 * so are the others; they need not be the same number.
 */
export interface Factor {
  readonly group: FactorGroup;
  readonly input: Input;
  readonly draw: number;
}

type SurfaceFactor = Exclude<SurfaceInputName, 'coats' | 'over'>;
type CoatingFactor = Exclude<FactorGroup, SurfaceFactor>;

/** A job as numbers: its factors, and which of them each surface and each coating takes, by index. */
export interface JobModel {
  readonly factors: readonly Factor[];
  readonly coatings: readonly CoatingModel[];
}

export interface CoatingModel {
  readonly id: string;
  /** Paint inside the hoses once, and how often they are filled. */
  readonly hoses: number;
  readonly fills: number;
  readonly at: Readonly<Record<CoatingFactor, number>>;
  readonly surfaces: readonly {
    readonly coats: number;
    readonly over: number;
    readonly at: Readonly<Record<SurfaceFactor, number>>;
  }[];
}

/**
 * What is off the same way: the sizes of a surface in all its layers; texture and absorption by kind of surface; one transfer factor
 * for each kind of piece; film and solids by coating; one gun hand for the job.
 */
function sharedBy(name: SurfaceFactor, { id, surface }: JobSurface, coatingId: string): string {
  const { element, side, wind, kind, condition } = surface;
  switch (name) {
    case 'area':
      return id;
    case 'texture':
      return kind;
    case 'absorbed':
      return `${kind} ${condition}`;
    case 'te':
      return `${element} ${side} ${wind}`;
    case 'dry':
    case 'solids':
      return coatingId;
    case 'hand':
      return 'crew';
  }
}

/** Numbers of a coating as a whole, besides those of its surfaces. */
export function coatingInputs({ coating, hoses, fills }: CoatingDemand) {
  const { low, high } = TIP_LIFE[archetypeOf(coating.archetype).abrasionClass];
  return {
    ...keptInputs(),
    life: workingDefault('Life of a tip', 'volume', (low + high) / 2, low, high),
    wear: workingDefault(
      'Tip wear the hand does not make good',
      'percent',
      WEAR_LEFT.likely,
      WEAR_LEFT.low,
      WEAR_LEFT.high,
    ),
    ...fillInputs(hoses, fills),
  };
}

/** The factors of a job, each once however many surfaces share it. */
export function jobModel(demands: readonly CoatingDemand[]): JobModel {
  const factors: Factor[] = [];
  const known = new Map<string, number>();
  const draws = new Map<string, number>();
  const indexOf = (group: FactorGroup, shared: string, input: Input): number => {
    const together = `${group} ${shared}`;
    const draw = draws.get(together) ?? draws.size;
    draws.set(together, draw);
    const key = `${together} ${input.low} ${input.value} ${input.high}`;
    const index = known.get(key) ?? factors.push({ group, input, draw }) - 1;
    known.set(key, index);
    return index;
  };
  const coatings = demands.map((demand): CoatingModel => {
    const { hoses, ...whole } = coatingInputs(demand);
    return {
      id: demand.id,
      hoses: hoses.value,
      fills: demand.fills,
      at: indexes(whole, (group, input) => indexOf(group, demand.id, input)),
      surfaces: demand.surfaces.map((one) => {
        const { coats, over, ...inputs } = surfaceInputs(one.surface, one.netArea, one.over);
        return {
          coats: coats.value,
          over: over.value,
          at: indexes(inputs, (group, input) => indexOf(group, sharedBy(group, one, demand.id), input)),
        };
      }),
    };
  });
  return { factors, coatings };
}

/** The index of each of some inputs. */
function indexes<Name extends FactorGroup>(
  inputs: Readonly<Record<Name, Input>>,
  indexOf: (name: Name, input: Input) => number,
): Record<Name, number> {
  const at = {} as Record<Name, number>;
  for (const name of Object.keys(inputs) as Name[]) at[name] = indexOf(name, inputs[name]);
  return at;
}
