import type { ResourceName } from '@fine-spray/contract';
import type { QueryClient } from '@tanstack/react-query';
import { withNewer } from './newer';
import { plans, type PlanRow } from './plans';

/** A list of a resource with what this page was told since it was asked for, and with what waits on this device. */
export const asItIs = (
  resource: ResourceName,
  rows: readonly unknown[],
  jobId?: string,
): readonly unknown[] => plans.over(resource, withNewer(resource, rows, jobId), jobId);

/** The lists of a resource that a page has: of all rows, or of those of a job. */
const listsOf = (client: QueryClient, resource: ResourceName) =>
  client
    .getQueryCache()
    .findAll({ queryKey: [resource] })
    .flatMap(({ queryKey, state: { data } }) => {
      const [, jobId] = queryKey as readonly [string, string?];
      return Array.isArray(data) ? [{ queryKey, jobId, rows: data as readonly unknown[] }] : [];
    });

/** Brings the lists of a resource that a page has up to date with what it knows. */
export function refreshLists(client: QueryClient, resource: ResourceName): void {
  for (const { queryKey, jobId, rows } of listsOf(client, resource))
    client.setQueryData(queryKey, asItIs(resource, rows, jobId));
  // They say how many surfaces they have.
  if (resource === 'surfaces') void client.invalidateQueries({ queryKey: ['jobs'] });
}

/** A row as a page shows it. */
export function rowShown(client: QueryClient, resource: ResourceName, id: string): PlanRow | undefined {
  for (const { rows } of listsOf(client, resource)) {
    const found = rows.find((one) => (one as PlanRow | null)?.id === id);
    if (found) return found as PlanRow;
  }
  return undefined;
}

/** Puts a row as the server has it into the lists of a page, whatever they show; null takes it out. */
export function showTruth(
  client: QueryClient,
  resource: ResourceName,
  id: string,
  row: PlanRow | null,
): void {
  for (const { queryKey, jobId, rows } of listsOf(client, resource)) {
    const belongs = row !== null && (jobId === undefined || row['jobId'] === jobId);
    const others = rows.filter((one) => (one as PlanRow | null)?.id !== id);
    const at = rows.findIndex((one) => (one as PlanRow | null)?.id === id);
    const next = !belongs
      ? others
      : at === -1
        ? [...rows, row]
        : rows.map((one, index) => (index === at ? row : one));
    if (at !== -1 || belongs) client.setQueryData(queryKey, next);
  }
}
