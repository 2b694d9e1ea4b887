import type { Coating, Company, Hose, Job, ResourceName, Sprayer, Surface, Tip } from '@fine-spray/contract';
import { QueryClient, useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import { useCallback } from 'react';
import { Refused, call } from './api';

/** Rows of each resource as the API gives them. */
export interface Rows {
  coatings: Coating;
  sprayers: Sprayer;
  hoses: Hose;
  tips: Tip;
  jobs: Job;
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

/** Query keys in one place: a list by resource, the surfaces by their job. */
export const keys = {
  list: (resource: Exclude<ResourceName, 'surfaces'>) => [resource] as const,
  surfaces: (jobId: string) => ['surfaces', jobId] as const,
  company: ['company'] as const,
};

async function items<Row>(path: string): Promise<Row[]> {
  return ((await call('GET', path)) as { items: Row[] }).items;
}

type ListName = Exclude<ResourceName, 'surfaces'>;

/** All rows of a resource. */
export function useList<Name extends ListName>(name: Name): UseQueryResult<Rows[Name][]> {
  return useQuery({ queryKey: keys.list(name), queryFn: () => items<Rows[Name]>(`/api/${name}`) });
}

/** The surfaces of a job, in their order. */
export function useSurfaces(jobId: string): UseQueryResult<Surface[]> {
  return useQuery({
    queryKey: keys.surfaces(jobId),
    queryFn: () => items<Surface>(`/api/jobs/${jobId}/surfaces`),
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

const SERVER_FIELDS = ['id', 'createdAt', 'updatedAt', 'surfaceCount'] as const;

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
      const row = (await call('PUT', `/api/${name}/${id}`, content, keepalive)) as Rows[Name];
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
