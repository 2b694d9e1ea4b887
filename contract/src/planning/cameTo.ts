import type { CoatingCompared, SiteRecord } from '@fine-spray/core/record';
import type { OfferFigures } from '../offer';

/** One part of a cost: as it was offered, and as far as it was written down; money only where it has a price. */
export interface CostBeside {
  readonly offered: number;
  readonly came: number;
}

/** What a job came to beside its offer, as far as it was written down. */
export interface CameTo {
  readonly paint: CostBeside;
  /** Hours of all people, s. */
  readonly hours: CostBeside;
  readonly labour: CostBeside;
  /** Used up besides: nobody counts it on site, so it is as it was offered. */
  readonly consumables: number;
  /** What of the price is left. */
  readonly left: CostBeside;
  /** Paint that was used and has no price in the offer, m³: by coating. */
  readonly unpriced: readonly { readonly coating: string; readonly volume: number }[];
}

/** Time that was written down for a job, s: work that was timed, and coats from their start to their finish, of one person each. */
function timeWritten(record: SiteRecord, jobId: string, compared: readonly CoatingCompared[]): number {
  const worked = record.of('worked').reduce((sum, one) => sum + (one.job === jobId ? one.time : 0), 0);
  const coats = compared.flatMap((one) => one.coats).reduce((sum, { time = 0 }) => sum + time, 0);
  return worked + coats;
}

/**
 * What a job came to beside what was offered: paint at the offer's own price a litre, hours at its price an hour.
 * @param net price of the work before tax, with the options that were taken (`netOfWork`)
 * @param compared the coatings of the job beside their plan
 */
export function cameTo(
  { inside }: OfferFigures,
  net: number,
  jobId: string,
  record: SiteRecord,
  compared: readonly CoatingCompared[],
): CameTo {
  const { cost, hour } = inside;
  let paint = 0;
  const unpriced: { coating: string; volume: number }[] = [];
  for (const { coating, used } of compared) {
    if (used <= 0) continue;
    const offered = inside.paint.find(({ coatingId }) => coatingId === coating);
    if (offered && offered.cost !== null && offered.volume > 0)
      paint += (used * offered.cost) / offered.volume;
    else unpriced.push({ coating, volume: used });
  }
  const hours = Object.values(inside.hours).reduce((sum, one) => sum + (one?.likely ?? 0), 0);
  const written = timeWritten(record, jobId, compared);
  const labour = (written / 3600) * (hour ?? 0);
  const { consumables } = cost;
  return {
    paint: { offered: cost.paint.likely, came: paint },
    hours: { offered: hours, came: written },
    labour: { offered: cost.labour.likely, came: labour },
    consumables: consumables.likely,
    left: { offered: net - cost.total.likely, came: net - paint - labour - consumables.likely },
    unpriced,
  };
}
