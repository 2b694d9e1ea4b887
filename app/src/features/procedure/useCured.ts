import { entriesOfKind } from '@fine-spray/contract';
import { useMemo } from 'react';
import { useLog } from '@/data/log';
import { useWriteDown } from '@/data/writeDown';
import type { Site } from '@/features/site';

/** What was wrong before with the machine of a site and what cured it, by the log; and writing the next one down. */
export function useCured({ sprayer, jobId, surfaceId }: Pick<Site, 'sprayer' | 'jobId' | 'surfaceId'>) {
  const { entries } = useLog();
  const write = useWriteDown();
  const before = useMemo(() => {
    const counts = new Map<string, Map<string, number>>();
    for (const { payload } of entriesOfKind(entries, 'fault')) {
      const { what, cure, sprayerId } = payload;
      if (sprayerId !== sprayer.id) continue;
      const cures = counts.get(what) ?? new Map<string, number>();
      counts.set(what, cures.set(cure, (cures.get(cure) ?? 0) + 1));
    }
    return counts;
  }, [entries, sprayer.id]);
  return {
    /** How often each cure did it, by its words. */
    curesOf: (what: string): ReadonlyMap<string, number> => before.get(what) ?? new Map<string, number>(),
    cured: (what: string, cure: string) =>
      write(
        { kind: 'fault', payload: { what, cure, sprayerId: sprayer.id }, jobId, surfaceId },
        `${what}: what cured it is written down.`,
      ),
  };
}
