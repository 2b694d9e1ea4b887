import type { Job } from '@fine-spray/contract';
import { useMemo, useState } from 'react';
import { useSchedulesOf } from '@/data/resources';
import { useKept } from '@/data/kept';

/** Jobs that are asked whether they have a plan: those in progress first, then what changed last. */
const ASKED = 12;

const STATUS = ['in progress', 'estimate', 'finished'] as const;

/** Jobs by how likely one works on them today. */
export const likelyToday = (jobs: readonly Job[]): readonly Job[] =>
  [...jobs]
    .sort(
      (a, b) =>
        STATUS.indexOf(a.status) - STATUS.indexOf(b.status) ||
        Date.parse(b.updatedAt) - Date.parse(a.updatedAt),
    )
    .slice(0, ASKED);

const readId = (stored: unknown): string | undefined => (typeof stored === 'string' ? stored : undefined);

/** Jobs that are worked by a plan, and which of them is looked at on this device. */
export function useTodayJobs(jobs: readonly Job[], linked: string | undefined) {
  const asked = useMemo(() => likelyToday(jobs), [jobs]);
  const ids = useMemo(() => asked.map(({ id }) => id), [asked]);
  const { rows, pending } = useSchedulesOf(ids);
  const [kept, choose] = useKept<string | undefined>('today job', readId, undefined);
  // What a link names comes first, until somebody chooses.
  const [open, setOpen] = useState(linked);
  const chosen = open ?? kept;
  const planned = useMemo(() => {
    const withPlan = new Set(rows.filter(({ result }) => result !== null).map(({ jobId }) => jobId));
    return asked.filter(({ id, status }) => withPlan.has(id) && status !== 'finished');
  }, [rows, asked]);
  return {
    /** Jobs with a plan. */
    planned,
    /** Nothing is known yet. */
    pending: pending && planned.length === 0,
    job: planned.find(({ id }) => id === chosen) ?? planned[0],
    /** What one would plan, where nothing is. */
    toPlan: asked.find(({ surfaceCount, status }) => surfaceCount > 0 && status !== 'finished'),
    choose: (id: string) => {
      setOpen(undefined);
      choose(id);
    },
  };
}
