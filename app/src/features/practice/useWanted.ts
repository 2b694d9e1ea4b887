import { plannedCoats } from '@fine-spray/contract/planning';
import { workSays, type FilmRead, type WorkSays } from '@fine-spray/core/practice';
import { useEffect, useState } from 'react';
import { useSiteLog, type SiteLog } from '@/data/record';

const NOTHING: WorkSays = { pieces: [], skills: [], because: [] };
/** So many of the coats that were combed last are held against their plan. */
const LAST = 20;

/** The coats that were combed last, each with how it is held against its plan: a search for each, so one by one. */
function combed(log: SiteLog): readonly (() => FilmRead | undefined)[] {
  const surfaces = new Map(log.surfaces.map((surface) => [surface.id, surface]));
  const jobs = new Map(log.jobs.map((job) => [job.id, job]));
  return log.surfaces
    .flatMap(({ id }) => log.record.coatsOf(id))
    .filter(({ wet }) => wet !== undefined)
    .sort((a, b) => b.heard.at - a.heard.at)
    .slice(0, LAST)
    .map((coat) => () => {
      const surface = surfaces.get(coat.surface);
      const job = surface && jobs.get(surface.jobId);
      if (!job || coat.wet === undefined) return undefined;
      const planned = plannedCoats([surface], job, log.kit).find(
        (one) => one.coating === coat.coating && one.coat === coat.coat,
      );
      return planned && { element: surface.element, wet: coat.wet, wanted: planned.wet };
    });
}

/** What was found of a log: the next screen of practice has it at once. */
const found = new WeakMap<SiteLog['record'], WorkSays>();

/** What the combs of this company say to practise; worked out once for a log, while nothing else is to be done. */
export function useWanted(): WorkSays {
  const { log } = useSiteLog('as it comes');
  const record = log?.record;
  const known = record && found.get(record);
  const [says, setSays] = useState(NOTHING);
  useEffect(() => {
    if (!log || found.has(log.record)) return undefined;
    const left = [...combed(log)];
    const reads: FilmRead[] = [];
    let timer: ReturnType<typeof setTimeout>;
    const next = () => {
      const one = left.shift();
      if (!one) {
        const now = workSays(reads);
        found.set(log.record, now);
        setSays(now);
        return;
      }
      const read = one();
      if (read) reads.push(read);
      timer = setTimeout(next, 0);
    };
    timer = setTimeout(next, 300);
    return () => clearTimeout(timer);
  }, [log]);
  return known ?? says;
}
