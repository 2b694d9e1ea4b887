import type { Input } from '@fine-spray/core/explain';
import type { SetupHistory } from '@fine-spray/core/setup';
import {
  evenFansFrom,
  transferFrom,
  workKey,
  worksOf,
  type PieceOfWork,
  type SiteRecord,
} from '@fine-spray/core/record';

/** What the crew's own log changes in a plan: plain data, so that it can go to a worker with the kit. */
export interface PlanHistory {
  /** Share of the paint that lands, by kind of work. */
  readonly transfer: Readonly<Record<string, Input>>;
  /** Even-fan pressure over the heuristic's, by coating and family of tips. */
  readonly evenFan: Readonly<Record<string, NonNullable<SetupHistory['evenFan']>>>;
}

/** Reads from a log what it has to say about the kinds of work, the coatings and the tips that are in it. */
export function planHistory(record: SiteRecord): PlanHistory {
  const transfer = worksOf(record).flatMap((work) => {
    const found = transferFrom(record, work);
    return found ? [[workKey(work), found] as const] : [];
  });
  return { transfer: Object.fromEntries(transfer), evenFan: evenFansFrom(record) };
}

/** What the history says of a kind of work with a coating; nothing where it is silent. */
export function historyOf(
  history: PlanHistory | undefined,
  work: PieceOfWork & { readonly coatingId: string },
): SetupHistory | undefined {
  const [transfer, evenFan] = [history?.transfer[workKey(work)], history?.evenFan[work.coatingId]];
  return transfer || evenFan ? { transfer, evenFan } : undefined;
}
