import type { Change } from '@fine-spray/contract';

/** A row as far as it is known here: which version, of which job, and itself where it was not deleted. */
interface Known {
  readonly version: number;
  readonly row?: Versioned;
}
type Versioned = { readonly id: string; readonly version: number; readonly jobId?: unknown };

/** What this page was told of rows since it was opened: a list that was asked for before does not know it yet. */
const known = new Map<string, Map<string, Known>>();

const isVersioned = (row: unknown): row is Versioned => {
  const { id, version } = (row ?? {}) as Partial<Record<keyof Versioned, unknown>>;
  return typeof id === 'string' && Number.isInteger(version);
};

/** Notes a change. */
export function noteChange({ resource, id, row, gone }: Change): void {
  const of = known.get(resource) ?? new Map<string, Known>();
  known.set(resource, of);
  const next: Known | undefined = gone
    ? { version: gone.version }
    : isVersioned(row)
      ? { version: row.version, row }
      : undefined;
  if (next && next.version > (of.get(id)?.version ?? 0)) of.set(id, next);
}

/**
 * A list of a resource with what is known to be newer; the same list where nothing is. `jobId`: the list is of that job alone.
 */
export function withNewer(resource: string, rows: readonly unknown[], jobId?: string): readonly unknown[] {
  const of = known.get(resource);
  if (!of) return rows;
  const belongs = (row: Versioned) => jobId === undefined || row.jobId === jobId;
  const there = new Set<string>();
  let changed = false;
  const next: unknown[] = [];
  for (const row of rows) {
    const now = isVersioned(row) ? of.get(row.id) : undefined;
    if (isVersioned(row)) there.add(row.id);
    if (!now || now.version <= (row as Versioned).version) {
      next.push(row);
      continue;
    }
    changed = true;
    if (now.row && belongs(now.row)) next.push(now.row);
  }
  for (const { row } of of.values()) {
    if (!row || there.has(row.id) || !belongs(row)) continue;
    changed = true;
    next.push(row);
  }
  return changed ? next : rows;
}

/** For tests: a page that was just opened. */
export const forgetChanges = (): void => known.clear();
