import type { CoatingBase } from '../coating';

type FluidSide = 'water' | 'solvent' | 'both' | 'unknown';
interface FluidData {
  readonly name: string;
  readonly side: FluidSide;
  readonly flushes: boolean;
  readonly paint: boolean;
  /** Whether its vapour or mist can catch fire. The label decides; this is the careful assumption. */
  readonly flammable: boolean;
}

/** What can be in a sprayer, by what it mixes with and whether it burns. */
export const FLUIDS = {
  storage: { name: 'Storage fluid', side: 'water', flushes: false, paint: false, flammable: false },
  water: { name: 'Clean water', side: 'water', flushes: true, paint: false, flammable: false },
  'water paint': {
    name: 'Water-borne coating',
    side: 'water',
    flushes: false,
    paint: true,
    flammable: false,
  },
  'go-between': { name: 'Go-between fluid', side: 'both', flushes: true, paint: false, flammable: true },
  thinner: {
    name: 'Thinner of the coating',
    side: 'solvent',
    flushes: true,
    paint: false,
    flammable: true,
  },
  'solvent paint': {
    name: 'Solvent-borne coating',
    side: 'solvent',
    flushes: false,
    paint: true,
    flammable: true,
  },
  unknown: { name: 'Nobody knows', side: 'unknown', flushes: false, paint: false, flammable: true },
} as const satisfies Record<string, FluidData>;
export type Fluid = keyof typeof FLUIDS;
export const FLUID_IDS = Object.keys(FLUIDS) as [Fluid, ...Fluid[]];

/** What the go-between is, in words: it mixes with water and with the thinner. */
export const GO_BETWEEN_NOTE =
  'A fluid that mixes with water and with the thinner, as the data sheet of the coating names it.';

/** Said where a machine is taken on whose content nobody knows. */
export const UNKNOWN_NOTE =
  'Nobody knows what is in it, so the list takes it to burn and to mix with the go-between only.';

/** The fluid a coating of a base is, in a hose. */
export const fluidOfBase = (base: CoatingBase): 'solvent paint' | 'water paint' =>
  base === 'solvent' ? 'solvent paint' : 'water paint';

/** The fluid that is meant; whatever is not one of ours is one that nobody knows. */
export const fluidNamed = (name: string): Fluid => FLUID_IDS.find((one) => one === name) ?? 'unknown';

/**
 * Whether two fluids may meet in a hose or a waste container without gelling: those of one side, the go-between
 * with any, and what nobody knows with the go-between only.
 */
export function mayMeet(a: Fluid, b: Fluid): boolean {
  const [one, other]: readonly FluidSide[] = [FLUIDS[a].side, FLUIDS[b].side];
  return one === other || one === 'both' || other === 'both';
}

/**
 * Flush fluids between what is in the machine and what comes next, in their order: the shortest way in which each
 * meets only what it mixes with (breadth-first). A coating always leaves, and storage fluid always goes out, with a
 * flush; the same coating again needs none.
 * @param sameCoating the next coating is the one in the machine, same colour
 */
export function flushSequence(
  from: Fluid,
  to: Exclude<Fluid, 'unknown'>,
  sameCoating = false,
): readonly Fluid[] {
  if (from === to && (!FLUIDS[from].paint || sameCoating)) return [];
  const flushing = FLUID_IDS.filter((fluid) => FLUIDS[fluid].flushes);
  if (FLUIDS[from].flushes && from !== 'go-between' && mayMeet(from, to)) return [];
  // A coating leaves with the fluid of its own side: the go-between is dear and cleans worse.
  const starts = flushing.filter((fluid) =>
    FLUIDS[from].paint ? FLUIDS[fluid].side === FLUIDS[from].side : mayMeet(from, fluid),
  );
  const ways: Fluid[][] = starts.map((fluid) => [fluid]);
  for (const way of ways) {
    const last = way[way.length - 1] ?? from;
    // What stands in the hose before the next fluid is of that one's side.
    if (mayMeet(last, to) && last !== 'go-between') return way;
    for (const next of flushing) {
      if (!way.includes(next) && mayMeet(last, next)) ways.push([...way, next]);
    }
  }
  throw new Error(`flushSequence: no way from ${from} to ${to}`);
}
