import type { JobTask, SitePlanFound } from '@fine-spray/contract/planning';
import type { Placed } from '@fine-spray/core/sequence';

const DAY = 1440;

/**
 * Until when a task waits for what dries under it, min of the plan; nothing where it does not.
 * @param now min of the plan: less than nothing where it begins on another day
 */
export const driesUntil = ({ running, notBefore }: JobTask, now: number): number | undefined =>
  !running && notBefore !== undefined && notBefore > now ? notBefore : undefined;

/** A task with its place in the plan. */
export interface Doing {
  readonly task: JobTask;
  readonly one: Placed;
}

/** Something that has to dry before work can go on there. */
export interface Drying {
  readonly task: JobTask;
  /** Until when, min of the plan. */
  readonly until: number;
}

/** A plan as a crew looks at it in the morning. */
export interface WhatNow {
  /** What is begun, the last begun first. */
  readonly running: readonly Doing[];
  /** What can be begun now, in the order of the plan. */
  readonly ready: readonly Doing[];
  /** Today's, in the order of the plan. */
  readonly today: readonly Doing[];
  /** The first day after today with work, and its work. */
  readonly later: { readonly day: number; readonly doing: readonly Doing[] } | undefined;
  /** What still dries, what is dry first first. */
  readonly drying: readonly Drying[];
}

/**
 * What is now, what is next and what waits.
 * @param now min of the plan
 * @param person whose work; all where nobody is chosen
 */
export function whatNow({ tasks, plan }: SitePlanFound, now: number, person?: number): WhatNow {
  const placed = new Map(plan.placed.map((one) => [one.task, one]));
  const left = new Set(tasks.map(({ id }) => id));
  const all = tasks
    .flatMap((task): Doing[] => {
      const one = placed.get(task.id);
      return one ? [{ task, one }] : [];
    })
    .sort((a, b) => a.one.start - b.one.start || a.one.end - b.one.end);
  const own = all.filter(({ one }) => person === undefined || one.people.includes(person));
  const today = Math.floor(now / DAY);
  const dayOf = ({ one, task }: Doing) => (task.running ? today : Math.floor(one.start / DAY));
  const onItsTurn = (task: JobTask) => !task.running && task.after.every((lag) => !left.has(lag.task));
  const next = own.find((one) => dayOf(one) > today);
  const dries = all.flatMap(({ task }): Drying[] => {
    const until = driesUntil(task, now);
    return until !== undefined && onItsTurn(task) ? [{ task, until }] : [];
  });
  return {
    running: own.filter(({ task }) => task.running).reverse(),
    ready: own.filter(({ task }) => onItsTurn(task) && driesUntil(task, now) === undefined),
    today: own.filter((one) => dayOf(one) === today),
    later: next && { day: dayOf(next), doing: own.filter((one) => dayOf(one) === dayOf(next)) },
    drying: dries.sort((a, b) => a.until - b.until),
  };
}

/** What is sprayed before a task on its sprayer that day; nothing where it is the first of the day. */
export function sprayedBefore({ tasks, plan }: SitePlanFound, { one }: Doing): JobTask | undefined {
  const before = plan.placed
    .filter(
      ({ sprayer, start, task }) =>
        task !== one.task &&
        sprayer === one.sprayer &&
        start < one.start &&
        Math.floor(start / DAY) === Math.floor(one.start / DAY),
    )
    .sort((a, b) => b.start - a.start)[0];
  return tasks.find(({ id }) => id === before?.task);
}

/** What is done with the sprayer before a task, in words; nothing where nothing is. */
export function setUpWords(
  { task, one }: Doing,
  before: JobTask | undefined,
  coating: (id: string) => string,
): string | undefined {
  const own = task.coat && coating(task.coat.coatingId);
  if (one.setUp <= 0 || own === undefined) return undefined;
  const minutes = `${one.setUp} min`;
  if (!before?.coat) return `First set up the sprayer for ${own}: ${minutes}.`;
  const other = coating(before.coat.coatingId);
  const steps = [
    ...(before.fluid?.base !== task.fluid?.base
      ? [`change from ${other} to ${own}, which is another base: flush with the fluids its list says`]
      : before.coat.coatingId !== task.coat?.coatingId
        ? [`flush ${other} out and load ${own}`]
        : []),
    ...(before.room === task.room ? [] : [`move the sprayer to ${task.room}`]),
  ];
  return steps.length === 0 ? undefined : `First ${steps.join(', and ')}: ${minutes}.`;
}
