import type {
  JobToWorkOut,
  OtherPlan,
  PlanKept,
  SiteAsked,
  SitePlanned,
} from '@fine-spray/contract/planning';
import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { DaysOrder, DaysReport } from '@/workers/days.worker';

const startWorker: StartWorker = () => new Worker(new URL('../../workers/days.worker', window.location.href));

export type DaysState =
  | { readonly kind: 'searching'; readonly share: number; readonly finish?: number }
  | { readonly kind: 'stopped' }
  /** The worker failed. */
  | { readonly kind: 'failed' }
  | {
      readonly kind: 'done';
      readonly planned: SitePlanned;
      /** How the plan people know was kept so far. */
      readonly kept?: PlanKept | undefined;
      /** Missing while they are worked out, and where they are not asked for. */
      readonly others?: readonly OtherPlan[];
    };

/** What a worker that failed is told as. */
export const DAYS_FAILED = 'The days could not be planned on this device just now.';

/**
 * The days of a job, worked out in a worker. Another wish ends the search before; `stop` does, too. What was found last stays in sight
 * (`last`) until there is another.
 * @param job nothing while it is not all there
 */
export function useDays(
  job: JobToWorkOut | undefined,
  asked: SiteAsked | undefined,
  others: boolean,
  start: StartWorker = startWorker,
): {
  readonly state: DaysState;
  readonly last: SitePlanned | undefined;
  readonly stop: () => void;
  readonly again: () => void;
} {
  const [state, setState] = useState<DaysState>({ kind: 'searching', share: 0 });
  const [last, setLast] = useState<SitePlanned>();
  const [run, setRun] = useState(0);
  const [ended, setEnded] = useState<number>();
  const wish = asked && JSON.stringify(asked);
  useEffect(() => {
    if (!job || wish === undefined || ended === run) return undefined;
    setState({ kind: 'searching', share: 0 });
    const order: DaysOrder = { job, asked: JSON.parse(wish) as SiteAsked, others };
    return runWorker(
      start,
      order,
      (report: DaysReport) => {
        if (report.kind === 'done') setLast(report.planned);
        setState((before) => {
          if (report.kind !== 'others') return report;
          return before.kind === 'done' ? { ...before, others: report.others } : before;
        });
      },
      () => setState({ kind: 'failed' }),
    );
  }, [job, wish, run, ended, others, start]);
  return {
    state,
    last,
    stop: () => {
      setEnded(run);
      setState({ kind: 'stopped' });
    },
    again: () => setRun((count) => count + 1),
  };
}
