import {
  USUAL_BOOK,
  scheduleFields,
  type Job,
  type Schedule,
  type ScheduleFields,
} from '@fine-spray/contract';
import { useCallback, useMemo, useState } from 'react';
import { sentences, useDraft } from '@/data/draft';
import { newId } from '@/data/newId';
import { useCompany, useList, useSchedules, useWrites } from '@/data/resources';
import { fieldsOf, usualSchedule } from './schedule';

function check(content: ScheduleFields): Record<string, string> {
  const checked = scheduleFields.safeParse(content);
  return checked.success ? {} : sentences(checked.error.issues);
}
const read = (current: unknown) => ({
  content: fieldsOf(current as Schedule),
  version: (current as Schedule).version,
});

/** What is known of how a job is planned: its row, and what it would begin with. Nothing until both are here. */
export function useKnownSchedule(job: Pick<Job, 'id'>, now: Date) {
  const { data: rows, error: noRows } = useSchedules(job.id);
  const { data: company, error: noCompany } = useCompany();
  const { data: people, error: noPeople } = useList('people');
  const row = rows?.[0];
  const usual = useMemo(
    () =>
      company && (people ?? noPeople)
        ? usualSchedule(job, company.book ?? USUAL_BOOK, people ?? [], now)
        : undefined,
    [job, company, people, noPeople, now],
  );
  return {
    row,
    usual,
    known: rows !== undefined && usual !== undefined,
    failed: noRows ?? noCompany ?? undefined,
  };
}

/** How a job is planned, as a draft that stores itself: its first change makes the row. */
export function useSchedule(row: Schedule | undefined, usual: ScheduleFields) {
  const { put } = useWrites('schedules');
  const [made] = useState(newId);
  const id = row?.id ?? made;
  const save = useCallback(
    async (content: ScheduleFields, version: number, leaving: boolean) =>
      (await put({ id, content: { ...content, version }, keepalive: leaving })).version,
    [put, id],
  );
  const first = useMemo(() => (row ? fieldsOf(row) : usual), [row, usual]);
  return useDraft<ScheduleFields>({
    ...{ rowId: id, first, version: row?.version ?? 0, check, save, read, capability: 'plans' },
  });
}
