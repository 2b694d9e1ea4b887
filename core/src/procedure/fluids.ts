import type { CoatingBase } from '../coating';

/** What can be in a sprayer, by what it mixes with. */
export const FLUIDS = {
  storage: { name: 'Storage fluid', side: 'water', flushes: false, paint: false },
  water: { name: 'Clean water', side: 'water', flushes: true, paint: false },
  'water paint': { name: 'Water-borne coating', side: 'water', flushes: false, paint: true },
  'go-between': { name: 'Go-between fluid', side: 'both', flushes: true, paint: false },
  thinner: { name: 'Thinner of the coating', side: 'solvent', flushes: true, paint: false },
  'solvent paint': { name: 'Solvent-borne coating', side: 'solvent', flushes: false, paint: true },
} as const satisfies Record<
  string,
  { name: string; side: 'water' | 'solvent' | 'both'; flushes: boolean; paint: boolean }
>;
export type Fluid = keyof typeof FLUIDS;
export const FLUID_IDS = Object.keys(FLUIDS) as [Fluid, ...Fluid[]];

/** What the go-between is, in words: it mixes with water and with the thinner. */
export const GO_BETWEEN_NOTE =
  'A fluid that mixes with water and with the thinner, as the data sheet of the coating names it.';

/** The fluid a coating of a base is, in a hose. */
export const fluidOfBase = (base: CoatingBase): Fluid =>
  base === 'solvent' ? 'solvent paint' : 'water paint';

/** Whether two fluids may meet in a hose without gelling: those of one side, and the go-between with both. */
export function mayMeet(a: Fluid, b: Fluid): boolean {
  const [one, other] = [FLUIDS[a].side, FLUIDS[b].side];
  return one === other || one === 'both' || other === 'both';
}

/**
 * Flush fluids between what is in the machine and what comes next, in their order: the shortest way in which each
 * meets only what it mixes with (breadth-first). A coating always leaves, and storage fluid always goes out, with a
 * flush; the same coating again needs none.
 * @param sameCoating the next coating is the one in the machine, same colour
 */
export function flushSequence(from: Fluid, to: Fluid, sameCoating = false): readonly Fluid[] {
  if (from === to && (!FLUIDS[from].paint || sameCoating)) return [];
  const flushing = FLUID_IDS.filter((fluid) => FLUIDS[fluid].flushes);
  if (FLUIDS[from].flushes && mayMeet(from, to)) return [];
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
