import { entriesOfKind, type Job, type Surface } from '@fine-spray/contract';
import {
  likelyPaint,
  plannedCoats,
  roomName,
  type CoatingOrder,
  type Kit,
} from '@fine-spray/contract/planning';
import { showText } from '@fine-spray/core';
import { useMemo } from 'react';
import { useMay } from '@/data/may';
import { useLog } from '@/data/log';
import { recordOf } from '@/data/record';
import { useOffers, useSchedules } from '@/data/resources';
import { midnightOf, shortMoment } from '@/features/days';
import { useUnits } from '@/ui/units';
import type { JobStands } from './path';

/** Where a job stands, from its rows and its log. */
export function useJobStands(
  job: Job,
  surfaces: readonly Surface[],
  kit: Kit,
  found: { readonly orders: readonly CoatingOrder[]; readonly refused: number } | undefined,
): JobStands {
  const mayPrice = useMay('money');
  const { data: offers } = useOffers(job.id);
  const { data: schedules } = useSchedules(job.id);
  // The log alone: the surfaces of other jobs are not asked for here.
  const { entries, old, loading } = useLog();
  const { system } = useUnits();
  const coats = useMemo(() => {
    const all = plannedCoats(surfaces, job, kit);
    if (loading) return { done: 0, all: all.length };
    const record = recordOf(entries, old);
    const done = all.filter((coat) => record.coatOf(coat)?.finished !== undefined).length;
    return { done, all: all.length };
  }, [surfaces, job, kit, entries, old, loading]);
  const delivered = useMemo(
    () => entriesOfKind(entries, 'delivered').filter(({ entry }) => entry.jobId === job.id).length,
    [entries, job.id],
  );
  const row = schedules?.[0];
  const litres = found?.orders.reduce((sum, order) => sum + likelyPaint(order), 0);
  return {
    surfaces: surfaces.length,
    rooms: new Set(surfaces.map(({ room }) => roomName(room))).size,
    refused: found?.refused ?? 0,
    coatings: found?.orders.length ?? (surfaces.length > 0 ? undefined : 0),
    paint:
      litres !== undefined && litres > 0
        ? `${showText(litres, 'volume', system)} of paint, likely`
        : undefined,
    offers: mayPrice
      ? {
          all: offers?.length ?? 0,
          sent: offers?.filter(({ state }) => state === 'sent').length ?? 0,
          accepted: offers?.filter(({ state }) => state === 'accepted').length ?? 0,
        }
      : undefined,
    planned: row?.result ? `By plan done ${shortMoment(midnightOf(row), row.result.finish)}` : undefined,
    ...{ delivered, coats },
  };
}
