import type { Input } from '@fine-spray/core/explain';
import { transferFrom, workKey, worksOf, type PieceOfWork, type SiteRecord } from '@fine-spray/core/record';

/** What the crew's own log changes in a plan: plain data, so that it can go to a worker with the kit. */
export interface PlanHistory {
  /** Share of the paint that lands, by kind of work. */
  readonly transfer: Readonly<Record<string, Input>>;
}

/**
 * Reads from a log what it has to say about the kinds of work that are in it. Pressures are learned by coating and tip, on
 * site: a plan looks for the tip first.
 */
export function planHistory(record: SiteRecord): PlanHistory {
  const transfer = worksOf(record).flatMap((work) => {
    const found = transferFrom(record, work);
    return found ? [[workKey(work), found] as const] : [];
  });
  return { transfer: Object.fromEntries(transfer) };
}

/** What the history says of a kind of work; nothing where it is silent. */
export function historyOf(
  history: PlanHistory | undefined,
  work: PieceOfWork,
): { readonly transfer: Input } | undefined {
  const transfer = history?.transfer[workKey(work)];
  return transfer && { transfer };
}
