import type {
  BatchWrite,
  Coating,
  Company,
  Entry,
  Gear,
  Hose,
  Job,
  Place,
  ResourceName,
  Sprayer,
  Surface,
  System,
  Tip,
} from '@fine-spray/contract';
import { QueryClient, useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import { useCallback } from 'react';
import { Refused, call } from './api';

/** Rows of each resource as the API gives them. */
export interface Rows {
  coatings: Coating;
  sprayers: Sprayer;
  hoses: Hose;
  tips: Tip;
  gear: Gear;
  entries: Entry;
  systems: System;
  jobs: Job;
  places: Place;
  surfaces: Surface;
}

export function makeQueryClient(): QueryClient {
  return new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 30_000,
        gcTime: Infinity,
        networkMode: 'always',
        retry: (count, error) => !(error instanceof Refused) && count < 1,
        retryDelay: 500,
      },
    },
  });
}

/** Resources whose rows are listed for a job. */
type OfJob = 'places' | 'surfaces';
type ListName = Exclude<ResourceName, OfJob>;

/** Query keys in one place: a list by resource, places and surfaces by their job. */
export const keys = {
  list: (resource: ListName) => [resource] as const,
  places: (jobId: string) => ['places', jobId] as const,
  surfaces: (jobId: string) => ['surfaces', jobId] as const,
  company: ['company'] as const,
};

/** The rows of a list. */
export async function items<Row>(path: string): Promise<Row[]> {
  return ((await call('GET', path)) as { items: Row[] }).items;
}

/** All rows of a resource. */
export function useList<Name extends ListName>(name: Name): UseQueryResult<Rows[Name][]> {
  return useQuery({ queryKey: keys.list(name), queryFn: () => items<Rows[Name]>(`/api/${name}`) });
}

/** The surfaces of a job, in their order. */
export const surfacesQuery = (jobId: string) => ({
  queryKey: keys.surfaces(jobId),
  queryFn: () => items<Surface>(`/api/jobs/${jobId}/surfaces`),
});

export const useSurfaces = (jobId: string): UseQueryResult<Surface[]> => useQuery(surfacesQuery(jobId));

/** The places of a job, in their order. */
export function usePlaces(jobId: string): UseQueryResult<Place[]> {
  return useQuery({
    queryKey: keys.places(jobId),
    queryFn: () => items<Place>(`/api/jobs/${jobId}/places`),
  });
}

export function useCompany(): UseQueryResult<Company> {
  return useQuery({
    queryKey: keys.company,
    queryFn: async () => (await call('GET', '/api/company')) as Company,
  });
}

/** Puts a row into the cached list it belongs to, or takes it out. */
function patchList(client: QueryClient, key: readonly unknown[], id: string, row?: { id: string }): void {
  client.setQueryData<{ id: string }[]>(key, (list) => {
    if (!list) return list;
    if (!row) return list.filter((other) => other.id !== id);
    return list.some((other) => other.id === id)
      ? list.map((other) => (other.id === id ? row : other))
      : [...list, row];
  });
}

const SERVER_FIELDS = ['id', 'createdAt', 'updatedAt', 'surfaceCount', 'clockSkew'] as const;

/** The content of a row as a write wants it: without what the server adds, with its version. */
export function contentOf(row: object): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(row).filter(([key]) => !(SERVER_FIELDS as readonly string[]).includes(key)),
  );
}

interface Write {
  readonly id: string;
  /** Content with `version`; 0 makes the row. */
  readonly content: object;
  readonly keepalive?: boolean;
}

/** Writing rows: `put` stores one (safe to repeat), `remove` deletes one. The cached lists follow. */
export function useWrites<Name extends ResourceName>(name: Name, listKey: readonly unknown[]) {
  const client = useQueryClient();
  const keyText = JSON.stringify(listKey);
  const put = useCallback(
    async ({ id, content, keepalive = false }: Write): Promise<Rows[Name]> => {
      const row = (await call('PUT', `/api/${name}/${id}`, content, { keepalive })) as Rows[Name];
      patchList(client, JSON.parse(keyText) as unknown[], id, row);
      if (name === 'surfaces') void client.invalidateQueries({ queryKey: keys.list('jobs') });
      return row;
    },
    [client, name, keyText],
  );
  const remove = useCallback(
    async (id: string): Promise<void> => {
      await call('DELETE', `/api/${name}/${id}`);
      patchList(client, JSON.parse(keyText) as unknown[], id);
      if (name === 'surfaces') void client.invalidateQueries({ queryKey: keys.list('jobs') });
    },
    [client, name, keyText],
  );
  return { put, remove };
}

/** Places and surfaces of a job written together: all of it or nothing. The cached lists follow. */
export function useBatch(jobId: string) {
  const client = useQueryClient();
  return useCallback(
    async (writes: readonly BatchWrite[], keepalive = false): Promise<(Place | Surface | null)[]> => {
      const answer = await call('POST', '/api/batch', { writes }, { keepalive });
      const { rows } = answer as { rows: (Place | Surface | null)[] };
      writes.forEach(({ resource, id }, index) => {
        if (resource === 'places' || resource === 'surfaces') {
          patchList(client, keys[resource](jobId), id, rows[index] ?? undefined);
        }
      });
      void client.invalidateQueries({ queryKey: keys.list('jobs') });
      return rows;
    },
    [client, jobId],
  );
}

/** Stores name and book of the company over a version. */
export function usePutCompany() {
  const client = useQueryClient();
  return useCallback(
    async (content: Pick<Company, 'name' | 'book' | 'version'>): Promise<Company> => {
      const company = (await call('PUT', '/api/company', content)) as Company;
      client.setQueryData(keys.company, company);
      return company;
    },
    [client],
  );
}
