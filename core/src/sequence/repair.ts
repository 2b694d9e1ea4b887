import { longestTailFirst } from './improve';
import { Placer, type Hold, type Placed, type SiteJob, type SitePlan } from './plan';

/**
 * A plan with as little of one before moved as can be: each task stays where it was, with who was on it, unless something is in its way
 * now; what has to move goes to the earliest place after what it waits for. With nothing new the plan is as it was.
 * @param before places of tasks as people know them; tasks that are no longer there are left out
 * @returns nothing where what has to move finds no place
 */
export function repairPlan(job: SiteJob, before: readonly Placed[]): SitePlan | undefined {
  const placer = new Placer(job);
  const held = new Map<number, Hold>();
  const known = new Map<number, number>();
  for (const { task, start, people, sprayer } of before) {
    const index = placer.indexOf(task);
    if (index === undefined) continue;
    known.set(index, start);
    held.set(index, { start, people, sprayer });
  }
  const order = longestTailFirst(placer).sort(
    (a, b) => (known.get(a) ?? Infinity) - (known.get(b) ?? Infinity),
  );
  // Each turn lets one task go: there are no more turns than tasks.
  for (;;) {
    const found = placer.held(order, held);
    if (!('kind' in found)) return found;
    if (found.kind === 'held') held.delete(found.index);
    else if (held.size > 0) held.clear();
    else return undefined;
  }
}

/** A task that is done at another time, or by others, than in a plan before. */
export interface Moved {
  readonly task: string;
  readonly from: Placed;
  readonly to: Placed;
}

/** What is otherwise in a plan than in one before, in the order it was to be done: tasks that are in both. */
export function movedTasks(before: readonly Placed[], after: SitePlan): readonly Moved[] {
  const now = new Map(after.placed.map((one) => [one.task, one]));
  return before
    .flatMap((from): Moved[] => {
      const to = now.get(from.task);
      const same = to?.start === from.start && to.people.join() === from.people.join();
      return to && !same ? [{ task: from.task, from, to }] : [];
    })
    .sort((a, b) => a.from.start - b.from.start);
}
