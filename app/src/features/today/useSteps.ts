import type { StepState, Surface } from '@fine-spray/contract';
import { plannedCoats, type JobTask } from '@fine-spray/contract/planning';
import { useCallback, useMemo } from 'react';
import { useSiteLog } from '@/data/record';
import { useWriteTogether } from '@/data/writeDown';
import type { LoadedJob } from '@/features/frame';
import { cardsOf, useStation, type CaptureContext } from '@/features/log';
import { useUnits } from '@/ui/units';
import { litresEntries, stepEntries } from './stepEntries';

const SAID: Readonly<Record<StepState, string>> = {
  started: 'Started',
  done: 'Done, and in the log',
  skipped: 'Skipped',
  'put back': 'To do again',
};

/** Writing what becomes of tasks: one tap each, and the log has it. */
export function useSteps({ job, surfaces, kit }: LoadedJob) {
  const { log } = useSiteLog();
  const { weather: station } = useStation();
  const { system } = useUnits();
  const write = useWriteTogether();
  const contextOf = useMemo(
    () =>
      log &&
      ((surface: Surface): CaptureContext => ({
        ...{ log, job, surface, station, system },
        cardOf: cardsOf(surface, job, kit, system),
      })),
    [log, job, station, system, kit],
  );
  const step = useCallback(
    (task: JobTask, did: StepState) => {
      if (contextOf)
        write(stepEntries(task, did, job.id, surfaces, contextOf), `${SAID[did]}: ${task.name}.`);
    },
    [contextOf, write, job.id, surfaces],
  );
  /** Planned paint of a task's coat by its surfaces, m³ through the gun. */
  const plannedOf = useCallback(
    ({ coat, surfaces: ids }: JobTask) =>
      plannedCoats(
        surfaces.filter(({ id }) => ids.includes(id)),
        job,
        kit,
      )
        .filter((one) => one.coating === coat?.coatingId && one.coat === coat.coat)
        .map(({ row, volume, thinning }) => ({ surface: row, planned: volume.value * (1 + thinning) })),
    [surfaces, job, kit],
  );
  const litres = useCallback(
    (task: JobTask, volume: number) => {
      if (contextOf)
        write(litresEntries(task, volume, job.id, plannedOf(task), contextOf), 'Litres written down.');
    },
    [contextOf, write, job.id, plannedOf],
  );
  return { step, litres, plannedOf, contextOf, names: log?.names, ready: contextOf !== undefined };
}
