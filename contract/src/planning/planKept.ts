import type { Placed } from '@fine-spray/core/sequence';
import { tasksAsked, type SiteAsked } from './sitePlan';
import type { DoneCoat } from './siteTasks';
import type { WorkedOut } from './wholeJob';

/** A coat of a plan beside what the log says of it: ends in minutes of the plan. */
export interface CoatKept {
  readonly task: string;
  readonly name: string;
  readonly planned: number;
  readonly done: number;
}

/** How a plan was kept. */
export interface PlanKept {
  /** Coats in the order they were done. */
  readonly coats: readonly CoatKept[];
  /** When the last of these was planned to end, and when it did. */
  readonly planned: number;
  readonly done: number;
  /** Coats of the plan that the log does not have as done. */
  readonly open: number;
}

/**
 * The plan people know against what happened, coat by coat; nothing where no coat of it is done. A coat in parts is done with its last part,
 * one on several surfaces with the last of them.
 */
export function planKept(
  worked: WorkedOut,
  asked: Pick<SiteAsked, 'school' | 'weather' | 'times'> & {
    readonly before?: readonly Pick<Placed, 'task' | 'end'>[] | undefined;
    readonly done?: readonly DoneCoat[] | undefined;
  },
): PlanKept | undefined {
  const { before: placed = [], done = [] } = asked;
  if (placed.length === 0 || done.length === 0) return undefined;
  const tasks = tasksAsked(worked, asked);
  const finished = new Map(
    done.map(({ surface, coating, coat, at }) => [`${surface} ${coating} ${coat}`, at]),
  );
  const coats: CoatKept[] = [];
  let open = 0;
  for (const { task: id, end } of placed) {
    const task = tasks.get(id);
    const coat = task?.coat;
    if (!task || !coat || coat.part < coat.parts - 1) continue;
    const ends = task.surfaces.map((one) => finished.get(`${one} ${coat.coatingId} ${coat.coat}`));
    if (ends.every((at) => at !== undefined))
      coats.push({ task: id, name: task.name, planned: end, done: Math.max(...ends.map((at) => at ?? 0)) });
    else open += 1;
  }
  if (coats.length === 0) return undefined;
  coats.sort((a, b) => a.done - b.done);
  return {
    coats,
    planned: Math.max(...coats.map(({ planned }) => planned)),
    done: Math.max(...coats.map((one) => one.done)),
    open,
  };
}
