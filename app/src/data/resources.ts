import type {
  BatchWrite,
  Changing,
  Company,
  Deletion,
  OfJob,
  Place,
  ResourceName,
  Rows,
  Schedule,
  Surface,
  Unreadable,
} from '@fine-spray/contract';
import { addTo } from '@fine-spray/core/grouping';
import {
  QueryClient,
  onlineManager,
  replaceEqualDeep,
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useCallback } from 'react';
import { OtherCompany, Refused, Unknown, call } from './api';
import { asItIs, refreshLists, rowShown } from './lists';
import { noteChange } from './newer';
import { plans, type PlanRow } from './plans';
import { reach } from './reach';
import { filledRow, noteUnreadable, useSound, wrongRow, type RowName } from './sound';
import { vouchAlike } from './vouched';

// Whether one is online is whether the server is reached: a phone with a network and no server is not.
onlineManager.setEventListener((setOnline) =>
  reach.subscribe(() => setOnline(reach.current().reached !== false)),
);

/** What was read again with all of it that is as before the same object; who vouched for the rows vouches for those in their place. */
function shared(before: unknown, now: unknown): unknown {
  const next: unknown = replaceEqualDeep(before, now);
  vouchAlike(now, next);
  return next;
}

export function makeQueryClient(): QueryClient {
  return new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 30_000,
        gcTime: Infinity,
        // A query that waits for a server shows nothing; one that fails says why, and comes again when it is reached.
        networkMode: 'always',
        refetchOnReconnect: 'always',
        retry: (count, error) => !(error instanceof Refused || error instanceof OtherCompany) && count < 1,
        retryDelay: 500,
        structuralSharing: shared,
      },
      // A write is tried by whoever keeps what is written: the draft, or the outbox.
      mutations: { networkMode: 'always', retry: false, gcTime: 0 },
    },
  });
}

type ListName = Exclude<ResourceName, OfJob>;

/** Query keys in one place: a list by its resource, and by its job where it has one. */
export const keys = {
  list: (resource: ListName) => [resource] as const,
  ofJob: (resource: OfJob, jobId: string) => [resource, jobId] as const,
  surfacesOfAll: ['surfaces'] as const,
  company: ['company'] as const,
  companies: ['companies'] as const,
  me: ['me'] as const,
  devices: ['devices'] as const,
  calendars: (jobId: string) => ['calendars', jobId] as const,
  passkeys: ['passkeys'] as const,
};

interface List {
  readonly items: readonly unknown[];
  readonly unreadable?: readonly Unreadable[];
  readonly next?: string | null;
}

/** The rows of a list as they came, and which of it the server could not read; those are noted. */
async function listed(path: string, signal?: AbortSignal): Promise<Required<List>> {
  const answer = (await call('GET', path, undefined, signal ? { signal } : {})) as Partial<List>;
  if (!Array.isArray(answer.items)) throw new Unknown(`${path} is no list.`);
  const unreadable = answer.unreadable ?? [];
  noteUnreadable(`${path} there`, unreadable);
  return { items: answer.items as unknown[], unreadable, next: answer.next ?? null };
}

/** A long list page by page, those stored last first; of one job, or of none, where that is asked for. */
export async function* pagesOf(
  resource: ResourceName,
  { signal, job }: { readonly signal?: AbortSignal; readonly job?: string } = {},
): AsyncGenerator<Required<List>, void, undefined> {
  for (let next: string | null = ''; next !== null;) {
    const query = new URLSearchParams({
      ...(job === undefined ? {} : { job }),
      ...(next === '' ? {} : { before: next }),
    }).toString();
    const page = await listed(`/api/${resource}${query === '' ? '' : `?${query}`}`, signal);
    yield page;
    ({ next } = page);
  }
}

/** The rows of a list as they are now: with what this page was told since it was asked for, and what waits here. */
export async function rowsOf(
  resource: ResourceName,
  signal?: AbortSignal,
  jobId?: string,
): Promise<readonly unknown[]> {
  await plans.start();
  const path = jobId === undefined ? `/api/${resource}` : `/api/jobs/${jobId}/${resource}`;
  // The server does not know a job yet that was made here.
  const items = jobId !== undefined && plans.madeHere(jobId) ? [] : (await listed(path, signal)).items;
  return asItIs(resource, items, jobId);
}

/** Why something cannot be shown: the failure of the first of its queries that has nothing; none where all have something. */
export const failureOf = (
  ...queries: readonly { readonly data: unknown; readonly error: Error | null }[]
): Error | undefined => queries.find(({ data, error }) => !data && error)?.error ?? undefined;

/** All rows of a resource. */
export function useList<Name extends ListName>(name: Name) {
  return useQuery({
    queryKey: keys.list(name),
    queryFn: ({ signal }) => rowsOf(name, signal),
    select: useSound(name),
  });
}

/** How the rows of a job are asked for; read through `useSound`. */
const ofJobQuery = (name: OfJob, jobId: string) => ({
  queryKey: keys.ofJob(name, jobId),
  queryFn: ({ signal }: { readonly signal: AbortSignal }) => rowsOf(name, signal, jobId),
});

/** The surfaces of all jobs, page by page; each job's are there by themselves from then on, too. */
export function useAllSurfaces() {
  const client = useQueryClient();
  return useQuery({
    queryKey: keys.surfacesOfAll,
    queryFn: async ({ signal }) => {
      const all: unknown[] = [];
      for await (const { items } of pagesOf('surfaces', { signal })) all.push(...items);
      await plans.start();
      const rows = asItIs('surfaces', all);
      for (const [jobId, some] of byJob(rows as readonly Surface[]))
        client.setQueryData(keys.ofJob('surfaces', jobId), (had: unknown) => had ?? some);
      return rows;
    },
    select: useSound('surfaces', 'surfaces of all jobs'),
  });
}

/** Surfaces by their job, in the order people gave them. */
function byJob(rows: readonly Surface[]): ReadonlyMap<string, readonly Surface[]> {
  const jobs = new Map<string, Surface[]>();
  for (const row of rows) addTo(jobs, row.jobId, row);
  jobs.forEach((some) => some.sort((one, other) => one.position - other.position));
  return jobs;
}

/** The rows of a job, in their order. */
function useOfJob<Name extends OfJob>(name: Name, jobId: string) {
  return useQuery({ ...ofJobQuery(name, jobId), select: useSound(name, `${name} ${jobId}`) });
}

export const useSurfaces = (jobId: string) => useOfJob('surfaces', jobId);
export const usePlaces = (jobId: string) => useOfJob('places', jobId);
export const useSchedules = (jobId: string) => useOfJob('schedules', jobId);
/** Plans of the days of some jobs, as they are known here: to find out which job has one. */
export function useSchedulesOf(jobIds: readonly string[]): {
  readonly rows: readonly Schedule[];
  readonly pending: boolean;
} {
  const found = useQueries({ queries: jobIds.map((jobId) => ofJobQuery('schedules', jobId)) });
  return {
    rows: found.flatMap(({ data }) => (data ?? []) as readonly Schedule[]),
    pending: found.some(({ isPending }) => isPending),
  };
}
export const useOffers = (jobId: string) => useOfJob('offers', jobId);

export function useCompany() {
  return useQuery({
    queryKey: keys.company,
    queryFn: ({ signal }) => call('GET', '/api/company', undefined, { signal }),
    // What the device kept is read through it too.
    select: companyRow,
  });
}

// Its book grows with the program, and a device may have kept one from before.
const companyRow = (row: unknown) => filledRow('company', sound<Company>('company', row));

/** A row that came by itself, as its schema says. */
function sound<Row>(name: RowName, row: unknown): Row {
  const wrong = wrongRow(name, row);
  if (wrong) throw new Unknown(wrong.why);
  return row as Row;
}

const SERVER_FIELDS = ['id', 'createdAt', 'updatedAt', 'surfaceCount', 'clockSkew', 'personId'] as const;

/** The content of a row as a write wants it: without what the server adds, with its version. */
export function contentOf(row: object): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(row).filter(([key]) => !(SERVER_FIELDS as readonly string[]).includes(key)),
  );
}

/** The write of a batch that deletes a row as it was seen. */
export const deletion =
  (resource: Changing) =>
  ({ id, version }: { readonly id: string; readonly version: number }): Deletion => ({
    resource,
    id,
    content: null,
    version,
  });

/** The content that brings a deleted row back, over what is left of it: deleting counts the version up by one. */
export const broughtBack = <Row extends { readonly version: number }>(row: Row) => ({
  ...(contentOf(row) as unknown as Row),
  version: row.version + 1,
});

interface Write {
  readonly id: string;
  /** Content with `version`; 0 makes the row. */
  readonly content: object;
  /** The page is being left: the write has to end without it. */
  readonly keepalive?: boolean;
}

/** Notes what the server made of writes, and brings the lists of a page up to date. */
function follow(client: QueryClient, writes: readonly BatchWrite[], rows: readonly (PlanRow | null)[]): void {
  writes.forEach((write, index) => {
    const { resource, id } = write;
    const row = rows[index];
    if (row) noteChange({ resource, id, row });
    else if (write.content === null)
      noteChange({
        resource,
        id,
        gone: { id, version: write.version + 1, deletedAt: new Date().toISOString() },
      });
  });
  for (const resource of new Set(writes.map((one) => one.resource))) refreshLists(client, resource);
}

/** Does writes together, on the server or where it is away on this device; the lists of the page follow. */
function useTogether() {
  const client = useQueryClient();
  return useCallback(
    (
      writes: readonly BatchWrite[],
      direct: (writes: readonly BatchWrite[]) => Promise<readonly (PlanRow | null)[]>,
    ) =>
      plans.write(
        writes,
        ({ resource, id }) => rowShown(client, resource, id),
        async (now) => {
          const rows = await direct(now);
          follow(client, now, rows);
          return rows;
        },
      ),
    [client],
  );
}

/**
 * Writing rows: `put` stores one (safe to repeat), `remove` deletes one as it was seen. The lists follow.
 */
export function useWrites<Name extends Changing>(name: Name) {
  const together = useTogether();
  const write = useCallback(
    async ({ id, content, keepalive = false }: Write) => {
      const [row] = await together(
        [{ resource: name, id, content } as unknown as BatchWrite],
        async ([now]) => [
          sound<Rows[Name]>(name, await call('PUT', `/api/${name}/${id}`, now?.content, { keepalive })),
        ],
      );
      return row as unknown as Rows[Name];
    },
    [name, together],
  );
  const { mutateAsync } = useMutation({ mutationFn: write });
  const { mutateAsync: remove } = useMutation({
    mutationFn: async (row: { readonly id: string; readonly version: number }) => {
      await together([deletion(name)(row)], async ([now]) => {
        await call('DELETE', `/api/${name}/${row.id}?version=${(now as Deletion).version}`);
        return [null];
      });
    },
  });
  // A page that is left has no time for a mutation to begin: its write goes out at once.
  const put = useCallback(
    (one: Write) => (one.keepalive === true ? write(one) : mutateAsync(one)),
    [write, mutateAsync],
  );
  return { put, remove };
}

/** Rows written together: all of them or nothing. The lists follow. */
export function useBatch() {
  const together = useTogether();
  const write = useCallback(
    async (writes: readonly BatchWrite[], keepalive = false) =>
      (await together(writes, async (now) => {
        const answer = await call('POST', '/api/batch', { writes: now }, { keepalive });
        const { rows } = answer as { rows: readonly unknown[] };
        return now.map(({ resource }, index) =>
          rows[index] ? (sound<object>(resource, rows[index]) as PlanRow) : null,
        );
      })) as (Place | Surface | null)[],
    [together],
  );
  const { mutateAsync } = useMutation({ mutationFn: (writes: readonly BatchWrite[]) => write(writes) });
  return useCallback(
    (writes: readonly BatchWrite[], keepalive = false) =>
      keepalive ? write(writes, keepalive) : mutateAsync(writes),
    [write, mutateAsync],
  );
}

/** Stores name and book of the company over a version. */
export function usePutCompany() {
  const client = useQueryClient();
  const { mutateAsync } = useMutation({
    mutationFn: async (content: Pick<Company, 'name' | 'book' | 'version'>) =>
      sound<Company>('company', await call('PUT', '/api/company', content)),
    onSuccess: (company) => client.setQueryData(keys.company, company),
  });
  return mutateAsync;
}
