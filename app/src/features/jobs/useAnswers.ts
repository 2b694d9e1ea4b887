import type { Surface } from '@fine-spray/contract';
import type { Kit, SetupJob } from '@fine-spray/contract/planning';
import type { UnitSystem } from '@fine-spray/core';
import { useEffect, useState } from 'react';
import { runWorker, type StartWorker } from '@/data/worker';
import type { Answer, AnswersOrder } from '@/workers/answers.worker';

const startWorker: StartWorker = () =>
  new Worker(new URL('../../workers/answers.worker', window.location.href));

/** Answers for rows as they are stored, under the machine and the kit they were worked out with. */
interface Kept {
  readonly stand: string;
  readonly answers: WeakMap<Surface, Answer>;
}

/** What was worked out last: a list that is come back to has its answers at once. */
let last: Kept = { stand: '', answers: new WeakMap() };

/** All that a set-up stands on besides its surface, as a name: ids and versions. */
function standOf(job: SetupJob, kit: Kit, system: UnitSystem): string {
  const rows = [...kit.coatings, ...kit.sprayers, ...kit.hoses, ...kit.tips];
  const versions = rows.map(({ id, version }) => `${id}.${version}`);
  return [job.sprayerId, ...job.hoseIds, job.lift, system, ...versions].join(' ');
}

/**
 * The answers a list of surfaces shows, worked out in a worker: a thousand set-ups take seconds, and a list must scroll
 * meanwhile. Those of rows that did not change are kept.
 * @returns the answer of a surface, once it is there
 */
export function useAnswers(
  surfaces: readonly Surface[],
  job: SetupJob,
  kit: Kit,
  system: UnitSystem,
  start: StartWorker = startWorker,
): (surface: Surface) => Answer | undefined {
  const stand = standOf(job, kit, system);
  if (last.stand !== stand) last = { stand, answers: new WeakMap() };
  const { answers } = last;
  const [, setReports] = useState(0);
  useEffect(() => {
    const missing = surfaces.filter((surface) => !answers.has(surface));
    if (missing.length === 0) return undefined;
    const rows = new Map(missing.map((surface) => [surface.id, surface]));
    const order: AnswersOrder = { surfaces: missing, job, kit, system };
    const take = (report: readonly Answer[]) => {
      for (const answer of report) {
        const row = rows.get(answer.id);
        if (row) answers.set(row, answer);
      }
      setReports((count) => count + 1);
    };
    // A worker that fails leaves the rows without answers; each opens and is worked out by itself.
    return runWorker(start, order, take, () => undefined);
  }, [surfaces, answers, job, kit, system, start]);
  return (surface) => answers.get(surface);
}
