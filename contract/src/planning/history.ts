import type { Input } from '@fine-spray/core/explain';
import { historyFor, type SiteRecord } from '@fine-spray/core/record';
import type { Element, Side, Wind } from '@fine-spray/core/takeoff';

/** What the crew's own log changes in a plan: plain data, so that it can go to a worker with the kit. */
export interface PlanHistory {
  /** Share of the paint that lands, by kind of work. */
  readonly transfer: Readonly<Record<string, Input>>;
}

interface Work {
  readonly element: Element;
  readonly side: Side;
  readonly wind: Wind;
}

/** Inside no wind blows: all of it is one kind of work. */
const keyOf = ({ element, side, wind }: Work) => `${element} ${side === 'inside' ? side : `${side} ${wind}`}`;

/** Reads from a log what it has to say about the kinds of work that are in it. */
export function planHistory(record: SiteRecord): PlanHistory {
  const works = new Map(record.of('coat finished').map((one) => [keyOf(one), one]));
  const transfer = [...works].flatMap(([key, { element, side, wind }]) => {
    // Pressures are learned by coating and tip, on site: a plan looks for the tip first.
    const query = { element, side, wind, coating: '', family: 'standard' } as const;
    const found = historyFor(record, query).transfer;
    return found ? [[key, found] as const] : [];
  });
  return { transfer: Object.fromEntries(transfer) };
}

/** What the history says of a kind of work; nothing where it is silent. */
export function historyOf(history: PlanHistory | undefined, work: Work): { readonly transfer?: Input } {
  const transfer = history?.transfer[keyOf(work)];
  return transfer ? { transfer } : {};
}
