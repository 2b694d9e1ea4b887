import {
  SURFACES_PER_JOB,
  type BatchWrite,
  type JobFields,
  type ResourceName,
  type SurfaceFields,
} from '@fine-spray/contract';
import type { Database } from '../db/database';
import { ProblemError } from '../http/problems';
import { createStore, type Store, type Stored, type TableMap } from './store';
import { COATINGS, ENTRIES, GEAR, HOSES, JOBS, PLACES, SPRAYERS, SURFACES, SYSTEMS, TIPS } from './tables';

/** The order people gave the rows of a job. */
export const IN_JOB_ORDER = ['position', 'created_at', 'id'];

/** A resource with the checks that need more than its row. */
export type Resource = Store<object>;

interface Extra<Fields> {
  readonly beforePut?: (companyId: string, id: string, fields: Fields) => Promise<void>;
  readonly beforeRemove?: (companyId: string, id: string) => Promise<void>;
  /** What is shown of a row besides its content. */
  readonly shown?: (rows: Stored<Fields>[]) => Promise<Stored<Fields>[]>;
}

/** Every resource on a database or within a transaction. */
export function resourcesOn(db: Database): Readonly<Record<ResourceName, Resource>> {
  function resource<Fields extends object>(map: TableMap<Fields>, extra: Extra<Fields> = {}): Resource {
    const store = createStore(db, map);
    const shown = extra.shown ?? ((rows: Stored<Fields>[]) => Promise.resolve(rows));
    const one = async (row: Stored<Fields>) => (await shown([row]))[0] ?? row;
    return {
      list: async (...query) => shown(await store.list(...query)),
      get: async (companyId, id) => one(await store.get(companyId, id)),
      put: async (companyId, id, version, fields, beside) => {
        await extra.beforePut?.(companyId, id, fields as Fields);
        return one(await store.put(companyId, id, version, fields as Fields, beside));
      },
      remove: async (companyId, id) => {
        await extra.beforeRemove?.(companyId, id);
        await store.remove(companyId, id);
      },
    };
  }

  async function withSurfaceCounts(rows: Stored<JobFields>[]): Promise<Stored<JobFields>[]> {
    const counted = await db('surface')
      .whereIn(
        'job_id',
        rows.map(({ id }) => id),
      )
      .groupBy('job_id')
      .select('job_id')
      .count<{ job_id: string; count: string }[]>('* as count');
    const counts = new Map(counted.map((row) => [row.job_id, Number(row.count)]));
    return rows.map((row) => ({ ...row, surfaceCount: counts.get(row.id) ?? 0 }));
  }

  async function checkHoses(companyId: string, _id: string, { hoseIds }: JobFields): Promise<void> {
    const known = new Set((await createStore(db, HOSES).list(companyId)).map(({ id }) => id));
    const index = hoseIds.findIndex((hoseId) => !known.has(hoseId));
    if (index < 0) return;
    const message = 'This hose does not exist, or was deleted.';
    throw new ProblemError('bad-body', message, [{ field: `hoseIds.${index}`, message, code: 'reference' }]);
  }

  async function checkHoseUnused(companyId: string, hoseId: string): Promise<void> {
    const used = (await createStore(db, JOBS).list(companyId)).some(({ hoseIds }) =>
      hoseIds.includes(hoseId),
    );
    if (used)
      throw new ProblemError('in-use', 'This hose is still used by a job. Choose another one there first.');
  }

  async function checkJobHasRoom(companyId: string, surfaceId: string, { jobId }: SurfaceFields) {
    const [row] = await db('surface')
      .where({ company_id: companyId, job_id: jobId })
      .whereNot({ id: surfaceId })
      .count<{ count: string }[]>('* as count');
    if (Number(row?.count ?? 0) < SURFACES_PER_JOB) return;
    const message = `A job holds ${SURFACES_PER_JOB.toLocaleString('en')} surfaces at most. Make a second job for the rest.`;
    throw new ProblemError('bad-body', message, [{ field: 'jobId', message, code: 'job.full' }]);
  }

  /** Refuses layers of a coating that is not there, at the layer. */
  async function checkLayers(companyId: string, layers: readonly { coatingId: string }[], field: string) {
    if (layers.length === 0) return;
    const rows = await db('coating')
      .where({ company_id: companyId })
      .whereIn(
        'id',
        layers.map(({ coatingId }) => coatingId),
      )
      .select<{ id: string }[]>('id');
    const index = layers.findIndex(({ coatingId }) => !rows.some(({ id }) => id === coatingId.toLowerCase()));
    if (index < 0) return;
    const message = 'This coating does not exist, or was deleted.';
    throw new ProblemError('bad-body', message, [
      { field: `${field}.${index}.coatingId`, message, code: 'reference' },
    ]);
  }

  async function checkCoatingUnused(companyId: string, coatingId: string): Promise<void> {
    const layer = JSON.stringify([{ coatingId }]);
    const used = async (table: string, column: string): Promise<boolean> => {
      const rows = await db(table)
        .where({ company_id: companyId })
        .whereRaw('?? @> ?::jsonb', [column, layer])
        .limit(1)
        .select<{ id: string }[]>('id');
      return rows.length > 0;
    };
    const surface = await used('surface', 'under');
    const system = !surface && (await used('system', 'layers'));
    if (!surface && !system) return;
    const by = surface ? 'by a job' : 'by one of your coating systems';
    throw new ProblemError('in-use', `This coating is still used ${by}. Choose another one there first.`);
  }

  return {
    coatings: resource(COATINGS, { beforeRemove: checkCoatingUnused }),
    sprayers: resource(SPRAYERS),
    hoses: resource(HOSES, { beforeRemove: checkHoseUnused }),
    tips: resource(TIPS),
    gear: resource(GEAR),
    entries: appendOnly(resource(ENTRIES)),
    systems: resource(SYSTEMS, {
      beforePut: (companyId, _id, { layers }) => checkLayers(companyId, layers, 'layers'),
    }),
    jobs: resource(JOBS, { beforePut: checkHoses, shown: withSurfaceCounts }),
    places: resource(PLACES),
    surfaces: resource(SURFACES, {
      beforePut: async (companyId, id, fields) => {
        await checkJobHasRoom(companyId, id, fields);
        await checkLayers(companyId, fields.under, 'under');
      },
    }),
  };
}

/** A log: an entry is made once and stays as it is. Sending it again changes nothing; other content is refused. */
function appendOnly(log: Resource): Resource {
  return {
    ...log,
    // As a new row each time: the store then takes the same content and refuses any other as stale.
    put: (companyId, id, _version, fields, beside) => log.put(companyId, id, 0, fields, beside),
    remove: () =>
      Promise.reject(
        new ProblemError('in-use', 'An entry of the log stays. Write a new one that replaces it.'),
      ),
  };
}

/** Several writes in one transaction, in their order: all of them, or none and the problem of the first that fails. */
export async function writeBatch(
  db: Database,
  companyId: string,
  writes: readonly BatchWrite[],
): Promise<(object | null)[]> {
  return db.transaction(async (trx) => {
    const resources = resourcesOn(trx);
    const rows: (object | null)[] = [];
    for (const [index, { resource, id, content }] of writes.entries()) {
      try {
        if (content === null) {
          await resources[resource].remove(companyId, id);
          rows.push(null);
        } else {
          const { version, ...fields } = content as { readonly version: number };
          rows.push(await resources[resource].put(companyId, id, version, fields));
        }
      } catch (error) {
        throw error instanceof ProblemError ? inBatch(error, index) : error;
      }
    }
    return rows;
  });
}

/** A problem of one write with its place in the batch before each field. */
function inBatch({ type, detail, errors, current }: ProblemError, index: number): ProblemError {
  return new ProblemError(
    type,
    detail,
    errors.map((error) => ({ ...error, field: `writes.${index}.content.${error.field}` })),
    current,
  );
}
