import { seeded, type Random } from '../random';
import { Placer, type SiteJob, type SitePlan } from './plan';

/** How a plan is looked for. The same for a seed: it ends by tries, and time only cuts it short. */
export interface Search {
  readonly seed: number;
  readonly tries: number;
  /** Told now and then; says whether to go on. */
  readonly onward?: (done: number, best: SitePlan) => boolean;
  /** A plan of the same tasks that people know already: it is begun with, and each task that changes its day costs. */
  readonly from?: SitePlan | undefined;
}

/** What a task costs that is done on another day than people were told, in minutes of the finish; judgement, 5 to 30. */
const OTHER_DAY = 15;
const DAY = 1440;

/** Tasks of a plan that are on another day than in one before. */
function otherDays(plan: SitePlan, before: ReadonlyMap<string, number>): number {
  let count = 0;
  for (const { task, start } of plan.placed) {
    const was = before.get(task);
    if (was !== undefined && Math.floor(was / DAY) !== Math.floor(start / DAY)) count += 1;
  }
  return count;
}

/** Whether one plan is better than another: it ends earlier, else takes less of people, else changes less. */
export function better(one: SitePlan, other: SitePlan): boolean {
  if (one.finish !== other.finish) return one.finish < other.finish;
  if (one.personMinutes !== other.personMinutes) return one.personMinutes < other.personMinutes;
  return one.flushes + one.moves < other.flushes + other.moves;
}

/** What is made small on the way: finish, and the mean end besides, without which a long job gets stuck; set-ups a little. */
function costOf({ finish, placed, personMinutes }: SitePlan): number {
  const ends = placed.reduce((sum, { end }) => sum + end, 0) / Math.max(1, placed.length);
  return finish + ends + 0.3 * personMinutes;
}

/** For each task, the longest way to the end of the job after it, in minutes of work and waiting. */
export function tailsOf({ indexed }: Placer): readonly number[] {
  const tails = new Array<number>(indexed.length).fill(0);
  const after = indexed.map(() => [] as { index: number; least: number }[]);
  indexed.forEach(({ before }, index) =>
    before.forEach((one) => after[one.index]?.push({ index, least: one.least })),
  );
  const known = new Array<boolean>(indexed.length).fill(false);
  const tail = (index: number, seen: ReadonlySet<number>): number => {
    if (known[index] === true || seen.has(index)) return tails[index] ?? 0;
    const next = new Set(seen).add(index);
    tails[index] = Math.max(
      0,
      ...(after[index] ?? []).map(
        (one) => one.least + (indexed[one.index]?.task.minutes ?? 0) + tail(one.index, next),
      ),
    );
    known[index] = true;
    return tails[index];
  };
  indexed.forEach((_one, index) => tail(index, new Set()));
  return tails;
}

/** The order to begin with: what most hangs on comes first. */
export function longestTailFirst(placer: Placer): number[] {
  const tails = tailsOf(placer);
  const own = (index: number) => (tails[index] ?? 0) + (placer.indexed[index]?.task.minutes ?? 0);
  return placer.indexed.map((_one, index) => index).sort((a, b) => own(b) - own(a) || a - b);
}

/** What one slot of set-up is worth against one of start, where there are several gaps. */
const WEIGHTS = [0, 0.5, 1, 2, 4, 10] as const;

interface State {
  readonly order: number[];
  readonly weight: number;
}

/** A neighbour: a task to another place in the order, two exchanged, or other worth of set-ups. */
function neighbour({ order, weight }: State, random: Random): State {
  const kind = random();
  if (kind < 0.1) return { order, weight: WEIGHTS[Math.floor(random() * WEIGHTS.length)] ?? 0 };
  const next = [...order];
  const [a, b] = [Math.floor(random() * next.length), Math.floor(random() * next.length)];
  if (kind < 0.55) {
    const [moved = 0] = next.splice(a, 1);
    next.splice(b, 0, moved);
  } else {
    [next[a], next[b]] = [next[b] ?? 0, next[a] ?? 0];
  }
  return { order: next, weight };
}

/** Cycles from the best found, each cooler at its start than the one before. */
const CYCLES = 4;
const HOT = 0.02;

const startOf = (placer: Placer, known: ReadonlyMap<string, number>, index: number): number =>
  known.get(placer.indexed[index]?.task.id ?? '') ?? Infinity;

/**
 * A plan of a job, better the more it is tried: simulated annealing over orders (Kirkpatrick 1983), each placed anew.
 * @returns nothing where no order finds a place for every task
 */
export function searchPlan(job: SiteJob, { seed, tries, onward, from }: Search): SitePlan | undefined {
  const placer = new Placer(job);
  const random = seeded(seed);
  const known = new Map(from?.placed.map(({ task, start }) => [task, start]));
  const moving = (one: SitePlan) => (from ? OTHER_DAY * otherDays(one, known) : 0);
  const isBetter = (one: SitePlan, other: SitePlan) => {
    const [a, b] = [one.finish + moving(one), other.finish + moving(other)];
    return from && a !== b ? a < b : better(one, other);
  };
  const order = longestTailFirst(placer);
  let state: State = {
    order: from ? order.sort((a, b) => startOf(placer, known, a) - startOf(placer, known, b)) : order,
    weight: 0,
  };
  let plan = from;
  for (const weight of WEIGHTS) {
    const found = placer.place(state.order, weight);
    if (found && (!plan || isBetter(found, plan))) {
      plan = found;
      state = { ...state, weight };
    }
  }
  if (!plan) return undefined;
  let best = { plan, state };
  const perCycle = Math.ceil(tries / CYCLES);
  for (let cycle = 0; cycle < CYCLES; cycle += 1) {
    let now = best;
    let cost = costOf(now.plan) + moving(now.plan);
    for (let step = 0; step < perCycle; step += 1) {
      const heat = (HOT * cost * (1 - step / perCycle)) / (cycle + 1);
      const nextState = neighbour(now.state, random);
      const found = placer.place(nextState.order, nextState.weight);
      if (found) {
        const nextCost = costOf(found) + moving(found);
        if (nextCost <= cost || random() < Math.exp((cost - nextCost) / Math.max(1e-9, heat))) {
          now = { plan: found, state: nextState };
          cost = nextCost;
        }
        if (isBetter(found, best.plan)) best = { plan: found, state: nextState };
      }
      if (onward && !onward(cycle * perCycle + step + 1, best.plan)) return best.plan;
    }
  }
  return best.plan;
}
