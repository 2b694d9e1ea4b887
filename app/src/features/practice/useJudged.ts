import type { Recording } from '@fine-spray/core/practice';
import type { SetupRequest } from '@fine-spray/core/setup';
import type { UnitSystem } from '@fine-spray/core/units';
import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { PracticeOrder, PracticeReport } from '@/workers/practice.worker';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/practice.worker', window.location.href));

/** How what was sprayed went, worked out in a worker; nothing while it is. */
export function useJudged(
  request: SetupRequest,
  recording: Recording | undefined,
  system: UnitSystem,
  start: StartWorker = startWorker,
): PracticeReport | undefined {
  const [report, setReport] = useState<PracticeReport>();
  useEffect(() => {
    setReport(undefined);
    if (!recording) return undefined;
    return runWorker<PracticeOrder, PracticeReport>(start, { request, recording, system }, setReport, () =>
      setReport({ kind: 'refused', message: 'The film could not be judged on this device.' }),
    );
  }, [request, recording, system, start]);
  return report;
}
