import { USUAL_BOOK } from '@fine-spray/contract';
import {
  lineStep,
  linesDone,
  roomsToPrepare,
  stepsOf,
  type LineDone,
  type RoomToPrepare,
} from '@fine-spray/contract/planning';
import type { SiteLine } from '@fine-spray/core';
import { useMemo, useRef } from 'react';
import { useCompany, usePlaces } from '@/data/resources';
import { useJobHere } from '@/data/jobHere';
import { useSiteLog } from '@/data/record';
import { useWriteTogether } from '@/data/writeDown';
import { SAME_TAP } from '@/ui/oneTap';
import type { LoadedJob } from '@/features/frame';
import { lineWords } from './words';

const EPOCH = new Date(0);
const NOTHING: ReadonlyMap<string, LineDone> = new Map();

/** What there is to prepare in a job, room by room, and what of it the log says is done, whoever ticked it. */
export function useToPrepare({ job, surfaces, kit }: LoadedJob) {
  const { data: company } = useCompany();
  const { data: places } = usePlaces(job.id);
  const { log } = useSiteLog();
  // The log of a job that is old comes when somebody looks at it.
  const { here } = useJobHere(job.id);
  const write = useWriteTogether();
  const rooms = useMemo(
    () =>
      places
        ? roomsToPrepare({
            ...{ surfaces, places, job, coatings: kit.coatings, book: company?.book ?? USUAL_BOOK },
            times: kit.history?.times,
          })
        : undefined,
    [surfaces, places, job, kit, company],
  );
  const done = useMemo(
    () => (rooms && log && here ? linesDone(rooms, stepsOf(log.entries, job.id, EPOCH)) : NOTHING),
    [rooms, log, here, job.id],
  );
  // A thumb that bounces ticks once; two lines one after the other are two.
  const last = useRef({ task: '', at: -Infinity });
  const tick = ({ room }: RoomToPrepare, line: SiteLine) => {
    const task = lineStep(room, line);
    const at = performance.now();
    if (last.current.task === task && at - last.current.at < SAME_TAP) return;
    last.current = { task, at };
    const did = done.get(task) === 'ticked' ? 'put back' : 'done';
    const name = [room, lineWords(line).do].filter(Boolean).join(': ').slice(0, 300);
    write(
      [{ kind: 'step', payload: { task, name, did }, jobId: job.id, surfaceId: null }],
      did === 'done' ? `Done: ${name}.` : `To do again: ${name}.`,
    );
  };
  return { rooms, done, ready: log !== undefined && here, tick };
}
