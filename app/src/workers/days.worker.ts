import {
  chancesOf,
  otherPlans,
  planKept,
  planSite,
  workOutJob,
  type JobToWorkOut,
  type OtherPlan,
  type PlanKept,
  type SiteAsked,
  type SitePlanned,
} from '@fine-spray/contract/planning';

/** A job, and how its days are to be planned. */
export interface DaysOrder {
  readonly job: JobToWorkOut;
  readonly asked: SiteAsked;
  /** Whether other ways are looked at, too. */
  readonly others: boolean;
}
export type DaysReport =
  /** How far the search is, as a share, and when the best so far ends, min from the first midnight. */
  | { readonly kind: 'searching'; readonly share: number; readonly finish: number }
  | {
      readonly kind: 'done';
      readonly planned: SitePlanned;
      /** How the plan people know was kept so far; missing where there was none. */
      readonly kept?: PlanKept | undefined;
    }
  /** What other ways would come to, after the plan itself. */
  | { readonly kind: 'others'; readonly others: readonly OtherPlan[] };

const worker = globalThis as unknown as {
  onmessage: ((event: { data: DaysOrder }) => void) | null;
  postMessage: (report: DaysReport) => void;
};

/** Tries between two words of how far it is. */
const EACH = 25;

worker.onmessage = ({ data: { job, asked, others } }) => {
  const worked = workOutJob(job);
  const planned = planSite(worked, { ...asked, unsure: true }, (done, { finish }) => {
    if (done % EACH === 0) worker.postMessage({ kind: 'searching', share: done / asked.tries, finish });
    return true;
  });
  const kept = planKept(worked, asked);
  worker.postMessage({ kind: 'done', planned, kept });
  if (!planned.ok) return;
  const chances = chancesOf(worked, asked, planned.plan);
  worker.postMessage({ kind: 'done', planned: { ...planned, chances }, kept });
  if (others) worker.postMessage({ kind: 'others', others: otherPlans(worked, asked) });
};
