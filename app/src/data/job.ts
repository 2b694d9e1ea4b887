import { usePlanKit } from './planKit';
import { failureOf, useList, useSurfaces } from './resources';

/** A job with its surfaces and the kit, or what stands in the way. */
export function useJob(jobId: string) {
  const jobs = useList('jobs');
  const surfaces = useSurfaces(jobId);
  const { kit, failed, retry } = usePlanKit();
  const job = jobs.data?.find(({ id }) => id === jobId);
  const missing = jobs.data !== undefined && !job;
  const error = missing ? undefined : (failed ?? failureOf(jobs, surfaces));
  return {
    job,
    surfaces: surfaces.data,
    kit,
    missing,
    error,
    retry: () => {
      retry();
      void jobs.refetch();
      void surfaces.refetch();
    },
  };
}
