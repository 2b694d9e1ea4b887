import {
  jobModel,
  paintDistributions,
  type ContainerAim,
  type CoveredPlace,
  type Risk,
} from '@fine-spray/core/quantities';
import type { CompanyBook } from '../book';
import type { Job, Surface } from '../job';
import { PURCHASE_DRAWS, buyingsFor, type Buying } from './buying';
import { jobPlan, type JobPlan, type PlannedWork } from './jobPlan';
import type { Kit } from './kit';
import { hoseOf } from './stands';
import { ordersFor, triggerTimeOf } from './orders';

/** A job with all it is worked out from, and how its paint is bought. */
export interface JobToWorkOut {
  readonly surfaces: readonly Surface[];
  readonly places: readonly CoveredPlace[];
  readonly job: Job;
  readonly kit: Kit;
  readonly book: CompanyBook;
  readonly risk: Risk;
  readonly aim: ContainerAim;
}

/** How paint is bought where a job is priced: the same wherever a price is shown, whatever is tried on the buy list. */
export const PRICED_AT = { risk: 'P80', aim: 'cost' } as const;

/** What a job was worked out to. */
export interface WorkedOut {
  /** Surfaces whose paint is not in the quantities. */
  readonly refused: number;
  /** Why there are no quantities at all. */
  readonly unquantified: string | undefined;
  readonly buyings: readonly Buying[];
  /** What the plan stands on; nothing where there is no paint. */
  readonly work: PlannedWork | undefined;
  readonly plan: JobPlan | undefined;
}

/** A job worked out from its surfaces to its cost: searches and draws included, so that it is asked of a worker. */
export function workOutJob(whole: JobToWorkOut): WorkedOut {
  const { surfaces, places, job, kit, book, risk, aim } = whole;
  const { orders, refused } = ordersFor(surfaces, job, kit);
  const drawn = orders.length > 0 ? paintDistributions(jobModel(orders), PURCHASE_DRAWS) : undefined;
  const unquantified = drawn && !drawn.ok ? drawn.message : undefined;
  const buyings = drawn?.ok ? buyingsFor(orders, drawn.value, risk, aim) : [];
  const trigger = triggerTimeOf(orders);
  const work =
    buyings.length > 0
      ? {
          ...{ surfaces, places, job, coatings: kit.coatings, buyings, trigger, book },
          times: kit.history?.times,
          hose: hoseOf(job, kit),
        }
      : undefined;
  return { refused, unquantified, buyings, work, plan: work && jobPlan(work) };
}
